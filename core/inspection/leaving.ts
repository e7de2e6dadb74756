import { type LeavingItem, leavingItems } from '../conditions/observations.ts';
import { coverageOf } from './coverage.ts';
import { type House, receptaclesOf } from './house.ts';
import { type InstrumentProof, instrumentProofs } from './proof.ts';

/** What is still to do before the house is left. */
export interface LeftUndone {
  readonly items: readonly LeavingItem[];
  /** Devices and breakers that were tried and of which nobody said that the power is back. */
  readonly powerNotBack: readonly string[];
  readonly toProve: readonly InstrumentProof[];
  readonly untested: readonly string[];
}

/** What of the list applies: a freezer or a sump pump only where something may have lost power. */
export function leftUndone(house: House): LeftUndone {
  const names = new Map(receptaclesOf(house).map(({ id, name }) => [id, name]));
  const last = new Map(
    house.wentDead.map((entry) => {
      const by =
        entry.by.kind === 'device' ? (names.get(entry.by.receptacle) ?? '') : `breaker ${entry.by.breaker}`;
      return [by, entry.powerBack] as const;
    }),
  );
  return {
    items: leavingItems.filter((item) => !house.left.includes(item)),
    powerNotBack: [...last].filter(([, isBack]) => !isBack).map(([by]) => by),
    toProve: instrumentProofs(house).filter(
      ({ state, readings }) => readings > 0 && (state === 'not-proved' || state === 'proved-before'),
    ),
    untested: coverageOf(house).left,
  };
}
