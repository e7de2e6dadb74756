import { type CloseOutItem, closeOutItems } from '../knowledge/observations.ts';
import { coverageOf } from './coverage.ts';
import { type FunctionCheck, functionChecksOf } from './function-checks.ts';
import type { House } from './house.ts';
import { powerNotBack, type SupplyPoint } from './went-dead.ts';

/** What is still to do before the house is left. */
export interface LeftUndone {
  readonly items: readonly CloseOutItem[];
  /** Devices and breakers that were tried, or where they were, and of which nobody said that the power is back. */
  readonly powerNotBack: readonly SupplyPoint[];
  readonly toProve: readonly FunctionCheck[];
  readonly untested: readonly string[];
}

/** What of the list nobody has ticked, and what the log itself says is not done. */
export function leftUndone(house: House): LeftUndone {
  return {
    items: closeOutItems.filter((item) => !house.left.includes(item)),
    powerNotBack: powerNotBack(house),
    toProve: functionChecksOf(house).filter(
      ({ state, readings }) => readings > 0 && (state === 'not-proved' || state === 'proved-before'),
    ),
    untested: coverageOf(house).left,
  };
}
