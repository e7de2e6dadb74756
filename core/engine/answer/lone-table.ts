import {
  blank,
  type ChannelKind,
  type Reading,
  settingsOf,
  type TestState,
} from '../../instruments/index.ts';
import { type HouseFacts, oddsIn } from '../model/priors.ts';
import { predictionsOf } from './lone-predictions.ts';
import { here, type Origin, type Row } from './lone-rows.ts';
import { madeRows } from './made-rows.ts';

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

const columnKey = (reading: Reading): string => {
  const { loadsOff = false, breakerOff = false } = reading.state ?? {};
  return [reading.instrument, ...Object.values(settingsOf(reading)), loadsOff, breakerOff].join(':');
};

/** All that may hold at a receptacle, and what it shows; one serves every receptacle. */
export class LoneTable {
  readonly rows: readonly Row[];
  /** What every row predicts for an instrument in a state, made when first asked for. */
  private readonly columns = new Map<string, Column>();
  /** By the very facts that they follow from, which nobody changes. */
  private readonly prices = new WeakMap<HouseFacts, readonly Priced[]>();
  private readonly names: readonly string[];

  constructor() {
    this.rows = madeRows();
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
