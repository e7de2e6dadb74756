import { inOrder } from './entry-order.ts';
import { type House, type Receptacle, receptaclesOf } from './house.ts';
import type { WentDead } from './kept.ts';
import { isSameSource } from './lost-by.ts';

/** A protective device and what was found to lose power with it, by ids of receptacles. */
export interface FoundBehind {
  readonly device: string;
  readonly dead: readonly string[];
  /** Somebody said that it is reset and the power back. */
  readonly isBack: boolean;
}

/** Of each device that was tripped, what was said last to go dead with it. */
export function foundBehind(house: House): readonly FoundBehind[] {
  const latest = new Map<string, WentDead>();
  for (const entry of house.wentDead) if (entry.by.kind === 'device') latest.set(entry.by.receptacle, entry);
  return [...latest].map(([device, entry]) => ({
    device,
    dead: entry.dead,
    isBack: entry.powerBack || isBack(entry, house),
  }));
}

/** What was dead at one time is said to have power again later: the same device or breaker, or all that was dead with it. */
const isBack = (entry: WentDead, { wentDead }: House): boolean =>
  wentDead.some(
    (later) =>
      later.powerBack &&
      inOrder(later, entry) > 0 &&
      (isSameSource(later.by, entry.by) ||
        (entry.by.kind === 'device' && later.dead.includes(entry.by.receptacle))),
  );

/** Where the power went off and nobody said that it is back. */
export interface NotBack {
  /** Devices that were tried, and would not reset. */
  readonly refusing: ReadonlySet<string>;
  /** Receptacles without power, and those at which it was switched off. */
  readonly dark: ReadonlySet<string>;
}

export function powerNotBackAt(house: House): NotBack {
  const refusing = new Set<string>();
  const dark = new Set(unrecorded(house).map(({ id }) => id));
  for (const entry of house.wentDead) {
    const isLatest = house.wentDead.findLast(({ by }) => isSameSource(by, entry.by)) === entry;
    if (!isLatest || entry.powerBack || isBack(entry, house)) continue;
    for (const id of entry.dead) dark.add(id);
    if (entry.by.kind !== 'device') continue;
    dark.add(entry.by.receptacle);
    if (entry.willNotReset === true) refusing.add(entry.by.receptacle);
  }
  return { refusing, dark };
}

/** Receptacles at which a device tripped, and of which nobody said anything since. */
const unrecorded = (house: House): readonly Receptacle[] =>
  receptaclesOf(house).filter(({ id, groundFaultTests }) => {
    const latest = groundFaultTests.at(-1);
    if (latest?.result !== 'tripped') return false;
    return !house.wentDead.some(
      (entry) =>
        entry.by.kind === 'device' &&
        (entry.by.receptacle === id || entry.dead.includes(id)) &&
        inOrder(entry, latest) > 0,
    );
  });

/** What power went off with. */
export type SupplyPoint =
  /** By the name of its receptacle; null where that was taken back. */
  | { readonly kind: 'device'; readonly name: string | null }
  | { readonly kind: 'breaker'; readonly breaker: string };

/** The devices and breakers, or where they were tripped, of which nobody has said that the power is back. */
export function powerNotBack(house: House): readonly SupplyPoint[] {
  const names = new Map(receptaclesOf(house).map(({ id, name }) => [id, name]));
  const recorded = house.wentDead
    .filter((entry) => !entry.powerBack && !isBack(entry, house))
    .map(
      ({ by }): SupplyPoint =>
        by.kind === 'device' ? { kind: 'device', name: names.get(by.receptacle) ?? null } : by,
    );
  const all = [...recorded, ...unrecorded(house).map(({ name }): SupplyPoint => ({ kind: 'device', name }))];
  return [...new Map(all.map((one) => [JSON.stringify(one), one])).values()];
}
