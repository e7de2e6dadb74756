import {
  blank,
  instrumentIds,
  isOfDevice,
  type Reading,
  type Test,
  type TestState,
} from '../../instruments/index.ts';
import { type Foreseen, predictionsOf } from './lone-predictions.ts';
import { everyRow, here, type Row } from './lone-rows.ts';

/** Tests by which rows are told apart; what is alike in all of them is one row. */
const tellingStates: readonly TestState[] = [{}, { loadsOff: true }, { breakerOff: true }];
const tellingReadings: readonly Reading[] = instrumentIds
  .filter((instrument) => !isOfDevice(instrument))
  .flatMap((instrument) => tellingStates.map((state) => blank({ at: here, instrument, state } as Test)));

/** Rows that show alike in every telling test are one, which stands for all that is behind them. */
function merged(rows: readonly Row[], byRow: readonly Foreseen[]): readonly Row[] {
  const byShown = new Map<string, Row>();
  rows.forEach((row, index) => {
    const seen = byRow[index];
    if (seen === undefined) return;
    const shown = Array.from(seen.predicted, (value) => Math.round(200 * value));
    const key = `${row.condition}:${row.tripped}:${shown.join()}:${seen.adrift.join('')}`;
    const before = byShown.get(key);
    if (before === undefined) byShown.set(key, row);
    else {
      const simpler = before.causeCount <= row.causeCount ? before : row;
      byShown.set(key, { ...simpler, origins: [...before.origins, ...row.origins] });
    }
  });
  return [...byShown.values()];
}

/** Everything that may hold at a receptacle, as far as it is told from the rest or is another cause: half a second's work. */
export function mergedRows(): readonly Row[] {
  const every = everyRow();
  return merged(every, predictionsOf(every, tellingReadings).byRow);
}
