import { type LeavingItem, leavingItems } from '../knowledge/observations.ts';
import { coverageOf } from './coverage.ts';
import type { House } from './house.ts';
import { type InstrumentProof, instrumentProofs } from './proof.ts';
import { type PowerSource, powerNotBack } from './went-dead.ts';

/** What is still to do before the house is left. */
export interface LeftUndone {
  readonly items: readonly LeavingItem[];
  /** Devices and breakers that were tried, or where they were, and of which nobody said that the power is back. */
  readonly powerNotBack: readonly PowerSource[];
  readonly toProve: readonly InstrumentProof[];
  readonly untested: readonly string[];
}

/** What of the list nobody has ticked, and what the log itself says is not done. */
export function leftUndone(house: House): LeftUndone {
  return {
    items: leavingItems.filter((item) => !house.left.includes(item)),
    powerNotBack: powerNotBack(house),
    toProve: instrumentProofs(house).filter(
      ({ state, readings }) => readings > 0 && (state === 'not-proved' || state === 'proved-before'),
    ),
    untested: coverageOf(house).left,
  };
}
