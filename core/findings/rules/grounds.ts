import type { Verdict } from '../../assessment/index.ts';
import type { House, Receptacle } from '../../log/index.ts';

/** To about this year cable came without a ground (common practice: 1962–65). */
const lastWithoutGround = 1962;

/** Wiring that has no grounds: somebody stated it, or the year makes it likely. */
export type Ungrounded = { readonly by: 'statement' } | { readonly by: 'year'; readonly year: number };

/** Stated, or of an age that hardly had grounds where nobody stated otherwise; null elsewhere. */
export function ungroundedBy({ groundedWiring, yearBuilt }: House): Ungrounded | null {
  if (groundedWiring === false) return { by: 'statement' };
  const isOld = groundedWiring === null && yearBuilt !== null && yearBuilt <= lastWithoutGround;
  return isOld ? { by: 'year', year: yearBuilt } : null;
}

export const isThreeSlot = ({ type }: Receptacle): boolean =>
  type !== 'two-slot' && type !== 'range-or-dryer';

export const fitsJumper = (verdict: Verdict): boolean => verdict.notRuledOut.includes('bootleg-ground');
