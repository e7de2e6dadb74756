import type { ChannelKind, Reading } from '../../instruments/index.ts';
import { evidenceOf, type ReadingEvidence } from '../evidence/evidence.ts';
import { loneTolerance, toleranceIn } from '../evidence/likelihood.ts';
import type { Wrong } from '../evidence/slips.ts';
import { Weighing } from '../evidence/weighing.ts';
import { type InstrumentFault, instrumentFaults, mayShowIn, spoil } from '../model/instrument-fault.ts';
import { type HouseFacts, oddsIn } from '../model/priors.ts';
import { evenly, type Scales } from '../model/scales.ts';
import { here, network } from './lone-rows.ts';
import type { Column, LoneTable } from './lone-table.ts';

/** What is held: a row of the table, with or without an instrument that does not work. */
export interface Held {
  readonly row: number;
  readonly fault: InstrumentFault | null;
}

export interface Weighted extends Held {
  readonly weight: number;
  readonly scales: Scales;
}

/** What falls so many nats short of the best weighs nothing. */
const negligibleNats = 13;
/** What has less than such a share of the best is left out. */
export const leastShare = 1e-7;
const lnLeastShare = Math.log(leastShare);
/** A misfit, in nats beyond what scatter explains. */
const misfitNats = 5;

/** Weighs every row of the table against the readings of one receptacle. */
export class LoneWeighing {
  readonly kinds: readonly ChannelKind[];
  /** What every row predicts for each reading. */
  readonly seen: readonly Column[];
  /** The same with the breaker on, whatever was said of it. */
  private readonly seenOn: readonly Column[];
  private readonly table: LoneTable;
  private readonly readings: readonly Reading[];
  private readonly compiled: readonly ReadingEvidence[];
  private readonly weighing: Weighing;
  private best = Number.NEGATIVE_INFINITY;

  private readonly house: HouseFacts;

  constructor(table: LoneTable, readings: readonly Reading[], house: HouseFacts) {
    this.house = house;
    this.table = table;
    this.readings = readings;
    this.seen = readings.map((reading) => table.columnFor(reading));
    this.seenOn = readings.map((reading) =>
      reading.state?.breakerOff === true
        ? table.columnFor({ ...reading, state: { ...reading.state, breakerOff: false } })
        : table.columnFor(reading),
    );
    const evidence = evidenceOf(network, {
      readings: readings.map((reading) => ({ ...reading, at: here, state: undefined }) as Reading),
      trippedBefore: null,
      afterRepair: [],
    });
    const compiled: ReadingEvidence[] = [];
    for (const { outlets } of evidence.states)
      for (const { readings: read } of outlets) for (const one of read) compiled[one.position] = one;
    this.compiled = compiled;
    this.kinds = evidence.kinds;
    this.weighing = new Weighing(evidence, network.circuit.nominalVolts, toleranceIn(loneTolerance, house));
  }

  private foresee(one: Held): void {
    for (let position = 0; position < this.compiled.length; position += 1) this.foreseeAt(one, position);
  }

  private foreseeAt({ row, fault }: Held, position: number): void {
    const { predicted, adrift } = this.weighing;
    const { first, end, instrument } = this.compiled[position] as ReadingEvidence;
    const seen = (fault?.instrument === 'breaker' ? this.seenOn : this.seen)[position];
    predicted.set(seen?.byRow[row] ?? [], first);
    adrift.set(seen?.adriftByRow[row] ?? [], first);
    if (fault !== null) spoil([fault], instrument, predicted, adrift, first, end);
  }

  /** What is worth holding in a house. */
  weighAll(): readonly Weighted[] {
    const { house } = this;
    const prices = this.table.pricesIn(house);
    const held: Weighted[] = [];
    for (const { row, price } of prices) this.weigh({ row, fault: null }, price, held);
    for (const { prior, fault } of instrumentFaults) {
      if (!mayShowIn(fault, this.readings)) continue;
      const odds = Math.log(oddsIn(house, prior));
      for (const { row, price } of prices) {
        if (price + odds <= this.best - negligibleNats) break;
        if ((this.table.rows[row]?.causeCount ?? 0) < 2) this.weigh({ row, fault }, price + odds, held);
      }
    }
    return held;
  }

  private weigh(one: Held, price: number, held: Weighted[]): void {
    const { weighing } = this;
    weighing.begin();
    weighing.scales = evenly(1);
    let least = 0;
    for (let position = 0; position < this.compiled.length; position += 1) {
      this.foreseeAt(one, position);
      least += weighing.take(this.compiled[position] as ReadingEvidence);
      // What weighs next to nothing at the best need not be weighed.
      if (price - least < this.best - negligibleNats) return;
    }
    const weight = price - weighing.weigh(price - this.best - lnLeastShare);
    if (weight === Number.NEGATIVE_INFINITY) return;
    this.best = Math.max(this.best, weight);
    held.push({ ...one, weight, scales: weighing.scales });
  }

  /** What is predicted, at the scale that all volts have: those of one leg. */
  predictedUnder(one: Weighted): Float64Array {
    this.foresee(one);
    return this.weighing.predicted.map((value, channel) =>
      this.kinds[channel] === 'volts' ? value * one.scales.own : value,
    );
  }

  /** How a reading is held to be wrong; null where that is not known. */
  wrongUnder(one: Weighted, position: number): Wrong | null {
    const reading = this.compiled[position];
    this.foresee(one);
    return reading === undefined ? null : this.weighing.wrongAt(reading, one.scales);
  }

  /** Positions of readings that do not fit. */
  misfitsUnder(one: Weighted): readonly number[] {
    this.foresee(one);
    return this.compiled.flatMap((reading, position) =>
      this.weighing.excessOf(reading, one.scales) > misfitNats ? [position] : [],
    );
  }
}
