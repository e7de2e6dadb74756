import type { Load } from '../../circuit/index.ts';
import { type Fault, hasOhms } from '../../faults/index.ts';
import { settleProtection, type TestState } from '../../instruments/index.ts';
import {
  type Branch,
  branchesOf,
  type DeviceState,
  earth,
  type Network,
  type Operation,
  Solver,
} from '../../physics/index.ts';
import { type InstrumentFault, spoil } from '../model/instrument-fault.ts';
import { evenly } from '../model/scales.ts';
import { type Terminals, terminals } from '../model/terminals.ts';
import { type ViewMemory, viewSize } from '../model/view-memory.ts';
import {
  type ContactsStanding,
  contactsStanding,
  looksAs,
  type Reference,
  restore,
  store,
} from '../model/views.ts';
import type { Evidence, OutletEvidence, ReadingEvidence, StateEvidence } from './evidence.ts';
import { fineTolerance, type Tolerance } from './likelihood.ts';
import { Predictor } from './predictor.ts';
import { Responses } from './responses.ts';
import { type Weighed, Weighing } from './weighing.ts';

// Longer than other files: all that one solver is asked for, which keeps its scratch between the questions.

export type { ContactStanding, ContactsStanding, Reference } from '../model/views.ts';

/** A circuit as one hypothesis has it. */
export interface Supposed {
  readonly faults: readonly Fault[];
  readonly loads: readonly Load[];
  readonly deviceStates: readonly DeviceState[];
  /** Instruments that do not work. */
  readonly instruments?: readonly InstrumentFault[];
}

const allWork: readonly InstrumentFault[] = [];
/** True where the same instruments fail. */
export const failAlike = (a: readonly InstrumentFault[], b: readonly InstrumentFault[]): boolean =>
  a.length === b.length && a.every((one, index) => one === b[index]);

/** True where a circuit without devices stands the same in both. */
const isSameState = (a: TestState | undefined, b: TestState | undefined): boolean =>
  (a?.loadsOff === true) === (b?.loadsOff === true) && (a?.breakerOff === true) === (b?.breakerOff === true);

/** Nats that a reading which fits falls short by at the most. */
export const scatterOf = ({ first, end }: ReadingEvidence): number => 1.3 * (end - first) + 2;

/** A reading that falls so many nats shorter than scatter lets it is not accounted for. */
const misfitNats = 3;

const asFound: StateEvidence = { state: undefined, repaired: false, trippedBefore: null, outlets: [] };

/** Predicts readings, and how they change with the conductance of any branch. Keeps its scratch between calls. */
export class Evaluator {
  readonly network: Network;
  readonly evidence: Evidence;
  readonly predicted: Float64Array;
  readonly weighing: Weighing;
  private readonly predictor: Predictor;
  private readonly solver: Solver;
  private readonly memory: ViewMemory | null;
  /** What is remembered of the operation entered last; null where nothing is. */
  private remembered: Float64Array | null = null;
  /** The operation entered last, where it was not solved yet. */
  private unsolved: Operation | null = null;
  /** What was entered last, on a circuit without devices: entered again at once, it stands as it does. */
  private entered: { readonly state: TestState | undefined; readonly supposed: Supposed } | null = null;
  private operation: Operation | null = null;
  /** What every channel before repair was predicted for last, while nothing else was entered since. */
  private foreseen: Supposed | null = null;
  /** By the number of branches. */
  private readonly bases: Terminals[] = [];
  private base: Terminals = terminals(0);
  private readonly responses: Responses;

  constructor(
    network: Network,
    evidence: Evidence,
    memory: ViewMemory | null = null,
    tolerance: Tolerance = fineTolerance,
  ) {
    this.network = network;
    this.memory = memory;
    this.evidence = evidence;
    this.solver = new Solver(network);
    this.weighing = new Weighing(evidence, network.circuit.nominalVolts, tolerance);
    this.responses = new Responses(network, this.solver);
    this.predictor = new Predictor(network, this.weighing, () => this.solved());
    this.predicted = this.weighing.predicted;
  }

  private operationIn(
    { state }: StateEvidence,
    { faults, loads, deviceStates, instruments = allWork }: Supposed,
  ): Operation {
    const { circuit, devices } = this.network;
    const tripped = state?.tripped;
    return {
      faults,
      loads,
      loadsOff: state?.loadsOff === true,
      breakerOn:
        circuit.breaker.on &&
        (state?.breakerOff !== true || instruments.some(({ instrument }) => instrument === 'breaker')),
      deviceStates:
        tripped === undefined
          ? deviceStates
          : devices.map(
              (device, index): DeviceState =>
                tripped.includes(device.id) ? 'tripped' : (deviceStates[index] ?? 'set'),
            ),
    };
  }

  /**
   * Nats by which the readings before repair (or after it) fall short, at the scale of the volts that fits them best;
   * Infinity once that is more than the limit. Leaves the predicted channels of what was looked at. States and outlets
   * may be given in another order than they were read in: the more telling first.
   */
  deficit(
    supposed: Supposed,
    repaired: boolean,
    limit: number = Number.POSITIVE_INFINITY,
    reference: Reference | null = null,
    states: readonly StateEvidence[] = this.evidence.states,
  ): number {
    const { weighing } = this;
    weighing.begin();
    weighing.scales = reference?.scales ?? evenly(1);
    let least = 0;
    for (const state of states) {
      if (state.repaired !== repaired) continue;
      const settled = this.enter(state, supposed);
      if (state.trippedBefore !== null) least += weighing.take(state.trippedBefore);
      if (least > limit) return Number.POSITIVE_INFINITY;
      for (const outlet of state.outlets) {
        const before = this.foresee(
          outlet,
          settled,
          supposed.instruments ?? allWork,
          repaired ? null : reference,
        );
        for (const reading of outlet.readings)
          least += before === null ? weighing.take(reading) : weighing.takeAs(reading, before);
        if (least > limit) return Number.POSITIVE_INFINITY;
      }
    }
    const deficit = weighing.weigh();
    return deficit > limit ? Number.POSITIVE_INFINITY : deficit;
  }

  /** Predicts the readings of one outlet, in the state entered last; where it looks as under the reference, they are weighed as they were. */
  private foresee(
    outlet: OutletEvidence,
    settled: Operation,
    instruments: readonly InstrumentFault[],
    reference: Reference | null,
  ): Weighed | null {
    this.look(outlet.outlet);
    if (
      reference !== null &&
      outlet.isLocal &&
      failAlike(instruments, reference.instruments) &&
      this.looksAs(reference.views, outlet.slot)
    ) {
      const { predicted, adrift } = this.weighing;
      for (const { first, end } of outlet.readings)
        for (let channel = first; channel < end; channel += 1) {
          predicted[channel] = reference.predicted[channel] as number;
          adrift[channel] = reference.adrift[channel] as number;
        }
      return reference.weighed;
    }
    for (const reading of outlet.readings) this.readHere(reading, settled, instruments);
    return null;
  }

  /** What every outlet looks like under a hypothesis in every state before repair, 24 numbers a slot. */
  viewsOf(supposed: Supposed): Float64Array {
    const views = new Float64Array(this.evidence.slots * viewSize);
    for (const state of this.evidence.states) {
      if (state.repaired) continue;
      this.enter(state, supposed);
      for (const { outlet, slot } of state.outlets) {
        this.look(outlet);
        store(this.base, views, slot * viewSize);
      }
    }
    return views;
  }

  /** The reference that a hypothesis makes, for the readings before repair. */
  referenceOf(supposed: Supposed): Reference {
    const { weighing } = this;
    const { slots, readingCount, states } = this.evidence;
    const views = new Float64Array(slots * viewSize);
    const readingDeficits = new Float64Array(readingCount);
    const deficits = new Float64Array(slots);
    const floors = new Float64Array(slots);
    const deficit = this.deficit(supposed, false);
    let scatter = deficit;
    const misfits = new Set<number>();
    const misfitsAt = new Set<number>();
    const weighed = weighing.weighed();
    const predicted = this.predicted.slice();
    const adrift = weighing.adrift.slice();
    for (const state of states) {
      if (state.repaired) continue;
      this.enter(state, supposed);
      for (const { outlet, slot, readings } of state.outlets) {
        this.look(outlet);
        store(this.base, views, slot * viewSize);
        for (const reading of readings) {
          const short = weighed.short[reading.index] as number;
          const beyond = short - weighing.expectedOf(reading);
          scatter -= Math.max(0, beyond);
          if (beyond > misfitNats) {
            misfits.add(reading.index);
            misfitsAt.add(outlet);
          }
          readingDeficits[reading.index] = short;
          deficits[slot] = (deficits[slot] as number) + short;
          if (short <= scatterOf(reading)) floors[slot] = (floors[slot] as number) + short;
        }
      }
    }
    const { instruments = allWork } = supposed;
    return {
      views,
      predicted,
      adrift,
      scales: weighing.scales,
      instruments,
      weighed,
      readingDeficits,
      deficits,
      floors,
      scatter,
      misfits,
      misfitsAt,
    };
  }

  /** Keeps how the outlet looks that was looked at last, in a slot of a set of views. */
  keepView(views: Float64Array, slot: number): void {
    store(this.base, views, slot * viewSize);
  }

  /** True where the outlet looked at last is seen as in a set of views. */
  looksAs(views: Float64Array, slot: number): boolean {
    return looksAs(this.base, views, slot);
  }

  /** Sees an outlet in the state entered last, before anything is read there. */
  look(outlet: number): void {
    const { remembered, base } = this;
    const from = outlet * viewSize;
    if (remembered !== null && !Number.isNaN(remembered[from])) {
      restore(remembered, from, base);
      return;
    }
    this.solved().equivalentAt(outlet, base);
    if (remembered !== null) store(base, remembered, from);
  }

  private solved(): Solver {
    if (this.unsolved !== null) this.solver.operate(this.unsolved);
    this.unsolved = null;
    return this.solver;
  }

  /** How the contacts of an outlet stand against earth with nothing plugged in, in the operation entered last. */
  contactsAt(outlet: number): ContactsStanding {
    this.look(outlet);
    return contactsStanding(this.base, this.network.circuit.nominalVolts);
  }

  /** Watts that bad connections turn into heat while everything is on that is held to be on. */
  heatIn(supposed: Supposed): number {
    if (supposed.loads.length === 0) return 0;
    this.enter(asFound, supposed);
    const { voltsRe, voltsIm } = this.solved();
    const at = (volts: Float64Array, node: number): number => (node === earth ? 0 : (volts[node] as number));
    let watts = 0;
    for (const fault of supposed.faults) {
      if (!hasOhms(fault)) continue;
      for (const { a, b, ohms } of branchesOf(this.network, fault, supposed.faults)) {
        const across = Math.hypot(at(voltsRe, a) - at(voltsRe, b), at(voltsIm, a) - at(voltsIm, b));
        watts += (across / ohms) ** 2 * fault.ohms;
      }
    }
    return watts;
  }

  /** Enters the circuit as it stands, with nothing switched for a test. */
  enterAsFound(supposed: Supposed): void {
    this.enter(asFound, supposed);
  }

  /** Reads at the outlet that was looked at last. */
  readHere(
    reading: ReadingEvidence,
    settled: Operation,
    instruments: readonly InstrumentFault[] = allWork,
    slopes = false,
  ): void {
    this.predictor.reading(reading, this.base, settled, slopes);
    if (instruments.length === 0) return;
    const { predicted, adrift } = this.weighing;
    spoil(instruments, reading.instrument, predicted, adrift, reading.first, reading.end);
  }

  /** Predicts every channel before repair (or after it). */
  predict(supposed: Supposed, repaired: boolean): void {
    if (!repaired && this.foreseen === supposed) return;
    for (const state of this.evidence.states) {
      if (state.repaired !== repaired) continue;
      const settled = this.enter(state, supposed);
      for (const { outlet, readings } of state.outlets) {
        this.look(outlet);
        for (const reading of readings) this.readHere(reading, settled, supposed.instruments);
      }
    }
    if (!repaired) this.foreseen = supposed;
  }

  /**
   * Predicts every channel before repair and its exact change per siemens of each branch. Branches of loads must be
   * marked, for they are gone where loads are off. Answers the slopes, branch by branch within each channel; nought in
   * readings that do not ask for theirs, once it is known what they show.
   */
  predictWithSlopes(
    supposed: Supposed,
    branches: readonly Branch[],
    isLoad: readonly boolean[],
    asks: (reading: ReadingEvidence) => boolean,
  ): Float64Array {
    this.predict(supposed, false);
    const count = branches.length;
    this.bases[count] ??= terminals(count);
    const flat = this.base;
    this.base = this.bases[count];
    this.predictor.forBranches(count);
    for (const state of this.evidence.states) {
      if (state.repaired) continue;
      const asking = state.outlets.flatMap(({ outlet, readings }) => {
        const some = readings.filter(asks);
        return some.length > 0 ? [{ outlet, readings: some }] : [];
      });
      if (asking.length === 0) continue;
      const settled = this.enter(state, supposed);
      this.solved();
      this.responses.begin(branches, settled.loadsOff ? isLoad : [], asking.length);
      for (const { outlet, readings } of asking) {
        this.solver.equivalentAt(outlet, this.base);
        this.responses.at(outlet, this.base);
        for (const reading of readings) this.readHere(reading, settled, supposed.instruments, true);
      }
    }
    this.base = flat;
    this.predictor.forBranches(0);
    return this.predictor.slopes;
  }

  /** Lets protection settle in a state and predicts what tripped by itself. */
  enter(state: StateEvidence, supposed: Supposed): Operation {
    const { entered } = this;
    if (this.foreseen !== supposed || state.repaired) this.foreseen = null;
    if (this.operation !== null && entered?.supposed === supposed && isSameState(entered.state, state.state))
      return this.operation;
    const operation = this.operationIn(state, supposed);
    const { trippedBefore } = state;
    if (this.network.devices.length === 0) {
      this.remembered = this.memory?.viewsIn(operation) ?? null;
      this.unsolved = operation;
      this.entered = { state: state.state, supposed };
      this.operation = operation;
      return operation;
    }
    const settled = settleProtection(this.solver, operation);
    if (trippedBefore !== null)
      this.network.devices.forEach((device, index) => {
        this.predicted[trippedBefore.first + index] = settled.trippedBefore.includes(device.id) ? 1 : 0;
      });
    return settled.operation;
  }
}
