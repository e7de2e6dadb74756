import {
  blank,
  type ChannelKind,
  instrumentIds,
  isOfDevice,
  type Reading,
  settingsOf,
  type Test,
  type TestState,
} from '../../instruments/index.ts';
import type { Network } from '../../physics/index.ts';
import { Evaluator } from '../evidence/evaluator.ts';
import { evidenceOf } from '../evidence/evidence.ts';
import { type HouseFacts, oddsIn } from '../model/priors.ts';
import { everyRow, here, network, type Origin, type Row } from './lone-rows.ts';

export interface Column {
  readonly kinds: readonly ChannelKind[];
  readonly byRow: readonly Float64Array[];
  /** 1 where nothing holds what a channel is read at. */
  readonly adriftByRow: readonly Uint8Array[];
}

export interface Priced {
  readonly row: number;
  /** Logarithm of its prior. */
  readonly price: number;
}

/** So many kinds of readings are remembered beside those that every kit has. */
const mostColumns = 200;

const stateOf = ({ loadsOff, breakerOff }: TestState = {}): TestState => ({
  ...(loadsOff === true ? { loadsOff } : {}),
  ...(breakerOff === true ? { breakerOff } : {}),
});

interface Foreseen {
  readonly predicted: Float64Array;
  readonly adrift: Uint8Array;
}

/** What every row predicts for some readings, and which channels each of them has. */
function predictionsOf(rows: readonly Row[], readings: readonly Reading[]) {
  const evaluators = new Map<Network, Evaluator>();
  const evaluatorFor = (of: Network): Evaluator => {
    const known = evaluators.get(of);
    if (known !== undefined) return known;
    const made = new Evaluator(of, evidenceOf(of, { readings, trippedBefore: null, afterRepair: [] }));
    evaluators.set(of, made);
    return made;
  };
  const { kinds, states } = evaluatorFor(network).evidence;
  const spans: (readonly [first: number, end: number])[] = [];
  for (const { outlets } of states)
    for (const { readings: compiled } of outlets)
      for (const { position, first, end } of compiled) spans[position] = [first, end];
  return {
    kinds,
    spans,
    byRow: rows.map(({ network: of, supposed }): Foreseen => {
      const evaluator = evaluatorFor(of);
      evaluator.predict(supposed, false);
      return { predicted: evaluator.predicted.slice(), adrift: evaluator.weighing.adrift.slice() };
    }),
  };
}

const columnKey = (reading: Reading): string => {
  const { loadsOff = false, breakerOff = false } = reading.state ?? {};
  return [reading.instrument, ...Object.values(settingsOf(reading)), loadsOff, breakerOff].join(':');
};

/** Tests by which rows are told apart; what is alike in all of them is one row. */
const tellingStates: readonly TestState[] = [{}, { loadsOff: true }, { breakerOff: true }];
const tellingReadings: readonly Reading[] = instrumentIds
  .filter((instrument) => !isOfDevice(instrument))
  .flatMap((instrument) => tellingStates.map((state) => blank({ at: here, instrument, state } as Test)));

interface Merged {
  row: Row;
  readonly seen: Foreseen;
}

/** Rows that show alike in every telling test are one, which stands for all that is behind them. */
function merged(rows: readonly Row[], byRow: readonly Foreseen[]): readonly Merged[] {
  const byShown = new Map<string, Merged>();
  rows.forEach((row, index) => {
    const seen = byRow[index];
    if (seen === undefined) return;
    const shown = Array.from(seen.predicted, (value) => Math.round(200 * value));
    const key = `${row.condition}:${row.tripped}:${shown.join()}:${seen.adrift.join('')}`;
    const before = byShown.get(key);
    if (before === undefined) byShown.set(key, { row, seen });
    else {
      const simpler = before.row.causeCount <= row.causeCount ? before.row : row;
      before.row = { ...simpler, origins: [...before.row.origins, ...row.origins] };
    }
  });
  return [...byShown.values()];
}

/** All that may hold at a receptacle, and what it shows; made once, it serves every receptacle. */
export class LoneTable {
  readonly rows: readonly Row[];
  /** What every row predicts for an instrument in a state, made when first asked for. */
  private readonly columns = new Map<string, Column>();
  /** By the very facts that they follow from, which nobody changes. */
  private readonly prices = new WeakMap<HouseFacts, readonly Priced[]>();
  private readonly names: readonly string[];

  constructor() {
    const every = everyRow();
    const predictions = predictionsOf(every, tellingReadings);
    const all = merged(every, predictions.byRow);
    tellingReadings.forEach((reading, position) => {
      const [first, end] = predictions.spans[position] ?? [0, 0];
      this.columns.set(columnKey(reading), {
        kinds: predictions.kinds.slice(first, end),
        byRow: all.map(({ seen }) => seen.predicted.slice(first, end)),
        adriftByRow: all.map(({ seen }) => seen.adrift.slice(first, end)),
      });
    });
    this.rows = all.map(({ row }) => row);
    this.names = this.rows.map(({ condition, tripped, faults }) => {
      const named = faults.map((fault) => Object.values({ ...fault, ohms: 0 }).join());
      return `${condition}:${tripped}:${named.join(';')}`;
    });
  }

  /** Rows of one name have the same faults, whatever their ohms, and the same condition. */
  nameOf(row: number): string {
    return this.names[row] ?? '';
  }

  /** What every row predicts for a reading of this kind. */
  columnFor(reading: Reading): Column {
    const key = columnKey(reading);
    const known = this.columns.get(key);
    if (known !== undefined) return known;
    const asked = {
      ...blank(reading),
      ...settingsOf(reading),
      at: here,
      state: stateOf(reading.state),
    } as Reading;
    const { kinds, byRow } = predictionsOf(this.rows, [asked]);
    if (this.columns.size > mostColumns) this.columns.clear();
    const column: Column = {
      kinds,
      byRow: byRow.map(({ predicted }) => predicted),
      adriftByRow: byRow.map(({ adrift }) => adrift),
    };
    this.columns.set(key, column);
    return column;
  }

  /** Every row with its price in a house, the likeliest first. */
  pricesIn(house: HouseFacts): readonly Priced[] {
    const known = this.prices.get(house);
    if (known !== undefined) return known;
    const oddsOf = ({ priors, logShare }: Origin): number =>
      Math.exp(logShare) * priors.reduce((product, prior) => product * oddsIn(house, prior), 1);
    const prices = this.rows
      .map(({ origins }, row) => ({
        row,
        price: Math.log(origins.reduce((sum, origin) => sum + oddsOf(origin), 0)),
      }))
      .sort((a, b) => b.price - a.price);
    this.prices.set(house, prices);
    return prices;
  }
}
