import type { Cause } from '../model/cause.ts';

export const isSameSite = (a: Cause['site'], b: Cause['site']): boolean =>
  ('cable' in a && 'cable' in b && a.cable === b.cable) ||
  ('outlet' in a && 'outlet' in b && a.outlet === b.outlet);

/** The bad connection in just the conductor that a cause has open; undefined where it opens none, or several. */
export function poorTwinOf(
  { site, faults: [gone, ...more] }: Cause,
  causes: readonly Cause[],
): Cause | undefined {
  if (gone?.kind !== 'open' || more.length > 0) return undefined;
  return causes.find(({ site: where, faults: [bad, ...others] }) => {
    if (bad?.kind !== 'resistance' || others.length > 0 || !isSameSite(site, where)) return false;
    return bad.conductor === gone.conductor && bad.leg === gone.leg;
  });
}
