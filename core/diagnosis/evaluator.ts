import {
  type Branch,
  type DeviceState,
  earth,
  type Fault,
  type Load,
  type Network,
  type Operation,
  Solver,
} from '../circuit/index.ts';
import {
  imbalanceAmps,
  lampSiemens,
  litFrom,
  lowMeterSiemens,
  meterSiemens,
  ownButton,
  settleProtection,
  thresholdAmps,
} from '../instruments/index.ts';
import {
  buttonCode,
  type Evidence,
  type OutletEvidence,
  type ReadingEvidence,
  type StateEvidence,
} from './evidence.ts';
import { readingDeficit, type Tolerance } from './likelihood.ts';
import {
  attach,
  copyTerminals,
  metered,
  meteredWithSlopes,
  type Terminals,
  terminals,
  toEarth,
  voltsBetween,
  voltsPerSiemens,
} from './terminals.ts';
import { type ViewMemory, viewSize } from './view-memory.ts';

/** A circuit as one hypothesis has it. */
export interface Supposed {
  readonly faults: readonly Fault[];
  readonly loads: readonly Load[];
  readonly deviceStates: readonly DeviceState[];
}

const hot = 0;
const neutral = 1;
const ground = 2;
const pairsOfContacts = [
  [hot, neutral],
  [hot, ground],
  [neutral, ground],
] as const;
const contactsAlone = [hot, neutral, ground] as const;

/** What the outlets look like under one hypothesis, and how well its readings fit there: children often share it. */
export interface Reference {
  /** Potentials and impedances, 24 numbers a slot. */
  readonly views: Float64Array;
  /** Nats by which each reading falls short, and all of a slot together. */
  readonly readingDeficits: Float64Array;
  readonly deficits: Float64Array;
}

/** Volts, and share of an impedance, by which two views of an outlet may differ and still read the same. */
const sameVolts = 1e-3;
const sameShare = 1e-4;

/** A contact that floats is neither proved live nor proved safe. */
export type ContactStanding = 'live' | 'quiet' | 'adrift';
/** Hot, neutral, ground. */
export type ContactsStanding = readonly [ContactStanding, ContactStanding, ContactStanding];

function store({ voltsRe, voltsIm, ohmsRe, ohmsIm }: Terminals, views: Float64Array, from: number): void {
  views.set(voltsRe, from);
  views.set(voltsIm, from + 3);
  views.set(ohmsRe, from + 6);
  views.set(ohmsIm, from + 15);
}

function restore(views: Float64Array, from: number, { voltsRe, voltsIm, ohmsRe, ohmsIm }: Terminals): void {
  for (let i = 0; i < 3; i += 1) {
    voltsRe[i] = views[from + i] as number;
    voltsIm[i] = views[from + 3 + i] as number;
  }
  for (let i = 0; i < 9; i += 1) {
    ohmsRe[i] = views[from + 6 + i] as number;
    ohmsIm[i] = views[from + 15 + i] as number;
  }
}

const asFound: StateEvidence = { state: undefined, repaired: false, trippedBefore: null, outlets: [] };
/** A contact held within this share of nominal is quiet; held means below so many ohms to earth. */
const quietShare = 0.1;
const holdingOhms = 50e3;

/** Predicts readings, and how they change with the conductance of any branch. Keeps its scratch between calls. */
export class Evaluator {
  readonly network: Network;
  readonly evidence: Evidence;
  readonly predicted: Float64Array;
  /** Change of each channel per siemens of each branch, row by channel. */
  private slopes = new Float64Array(0);
  private readonly solver: Solver;
  private readonly memory: ViewMemory | null;
  /** What is remembered of the operation entered last; null where nothing is. */
  private remembered: Float64Array | null = null;
  /** The operation entered last, where it was not solved yet. */
  private unsolved: Operation | null = null;
  private scratch: Terminals = terminals(0);
  private loaded: Terminals = terminals(0);
  private base: Terminals = terminals(0);
  private branches: readonly Branch[] = [];
  private responsesRe: Float64Array[] = [];
  private responsesIm: Float64Array[] = [];
  private readonly ampsRe: Float64Array;
  private readonly ampsIm: Float64Array;

  constructor(network: Network, evidence: Evidence, memory: ViewMemory | null = null) {
    this.network = network;
    this.memory = memory;
    this.evidence = evidence;
    this.predicted = new Float64Array(evidence.observed.length);
    this.solver = new Solver(network);
    this.ampsRe = new Float64Array(network.nodeCount);
    this.ampsIm = new Float64Array(network.nodeCount);
  }

  private operationIn({ state }: StateEvidence, { faults, loads, deviceStates }: Supposed): Operation {
    const { circuit, devices } = this.network;
    const tripped = state?.tripped;
    return {
      faults,
      loads,
      loadsOff: state?.loadsOff === true,
      breakerOn: circuit.breaker.on && state?.breakerOff !== true,
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
   * How much less likely than the likeliest the readings before repair (or after it) are; Infinity once that is
   * more than the limit. Leaves the predicted channels of what was looked at.
   */
  deficit(
    supposed: Supposed,
    repaired: boolean,
    tolerance: Tolerance,
    limit: number,
    reference: Reference | null = null,
  ): number {
    let sum = 0;
    for (const state of this.evidence.states) {
      if (state.repaired !== repaired) continue;
      const settled = this.enter(state, supposed);
      if (state.trippedBefore !== null)
        sum += readingDeficit(this.evidence, state.trippedBefore, this.predicted, tolerance);
      if (sum > limit) return Number.POSITIVE_INFINITY;
      for (const outlet of state.outlets) {
        sum += this.outletDeficit(outlet, settled, tolerance, repaired ? null : reference);
        if (sum > limit) return Number.POSITIVE_INFINITY;
      }
    }
    return sum;
  }

  /** Nats by which the readings of one outlet fall short, in the state entered last; from the reference where it looks alike. */
  outletDeficit(
    outlet: OutletEvidence,
    settled: Operation,
    tolerance: Tolerance,
    reference: Reference | null,
  ): number {
    this.look(outlet.outlet);
    if (reference !== null && outlet.isLocal && this.looksAs(reference.views, outlet.slot))
      return reference.deficits[outlet.slot] as number;
    let sum = 0;
    for (const reading of outlet.readings) {
      this.predictReading(reading, settled, false);
      sum += readingDeficit(this.evidence, reading, this.predicted, tolerance);
    }
    return sum;
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
  referenceOf(supposed: Supposed, tolerance: Tolerance): Reference {
    const { slots, readingCount, states } = this.evidence;
    const views = new Float64Array(slots * viewSize);
    const readingDeficits = new Float64Array(readingCount);
    const deficits = new Float64Array(slots);
    for (const state of states) {
      if (state.repaired) continue;
      const settled = this.enter(state, supposed);
      for (const { outlet, slot, readings } of state.outlets) {
        this.look(outlet);
        store(this.base, views, slot * viewSize);
        for (const reading of readings) {
          this.predictReading(reading, settled, false);
          const short = readingDeficit(this.evidence, reading, this.predicted, tolerance);
          readingDeficits[reading.index] = short;
          deficits[slot] = (deficits[slot] as number) + short;
        }
      }
    }
    return { views, readingDeficits, deficits };
  }

  /** True where the outlet looked at last is seen as in a set of views. */
  looksAs(terminals: Float64Array, slot: number): boolean {
    const { voltsRe, voltsIm, ohmsRe, ohmsIm } = this.base;
    const from = slot * viewSize;
    for (let i = 0; i < 3; i += 1) {
      if (Math.abs((voltsRe[i] as number) - (terminals[from + i] as number)) > sameVolts) return false;
      if (Math.abs((voltsIm[i] as number) - (terminals[from + 3 + i] as number)) > sameVolts) return false;
    }
    for (let i = 0; i < 9; i += 1) {
      const re = ohmsRe[i] as number;
      const im = ohmsIm[i] as number;
      const allowed = sameShare * (Math.abs(re) + Math.abs(im));
      if (Math.abs(re - (terminals[from + 6 + i] as number)) > allowed) return false;
      if (Math.abs(im - (terminals[from + 15 + i] as number)) > allowed) return false;
    }
    return true;
  }

  /** Sees an outlet in the state entered last, before anything is read there. */
  look(outlet: number): void {
    const { remembered, base } = this;
    const from = outlet * viewSize;
    if (remembered !== null && !Number.isNaN(remembered[from])) {
      restore(remembered, from, base);
      return;
    }
    this.solve();
    this.solver.equivalentAt(outlet, base);
    if (remembered !== null) store(base, remembered, from);
  }

  private solve(): void {
    if (this.unsolved === null) return;
    this.solver.operate(this.unsolved);
    this.unsolved = null;
  }

  /** How the contacts of an outlet stand against earth with nothing plugged in, in the operation entered last. */
  contactsAt(outlet: number): ContactsStanding {
    this.look(outlet);
    const { voltsRe, voltsIm, ohmsRe, ohmsIm } = this.base;
    const { nominalVolts } = this.network.circuit;
    const standing = (row: number): ContactStanding => {
      const volts = Math.hypot(voltsRe[row] as number, voltsIm[row] as number);
      if (volts >= litFrom * nominalVolts) return 'live';
      const ohms = Math.hypot(ohmsRe[4 * row] as number, ohmsIm[4 * row] as number);
      return volts <= quietShare * nominalVolts && ohms < holdingOhms ? 'quiet' : 'adrift';
    };
    return [standing(hot), standing(neutral), standing(ground)];
  }

  /** Enters the circuit as it stands, with nothing switched for a test. */
  enterAsFound(supposed: Supposed): void {
    this.enter(asFound, supposed);
  }

  /** Reads at the outlet that was looked at last. */
  readHere(reading: ReadingEvidence, settled: Operation): void {
    this.predictReading(reading, settled, false);
  }

  /** Predicts every channel before repair (or after it). */
  predict(supposed: Supposed, repaired: boolean): void {
    for (const state of this.evidence.states) {
      if (state.repaired !== repaired) continue;
      const settled = this.enter(state, supposed);
      for (const { outlet, readings } of state.outlets) {
        this.look(outlet);
        for (const reading of readings) this.predictReading(reading, settled, false);
      }
    }
  }

  /**
   * Predicts every channel before repair and its exact change per siemens of each branch. Branches of loads must be
   * marked, for they are gone where loads are off. Answers the slopes, branch by branch within each channel.
   */
  predictWithSlopes(
    supposed: Supposed,
    branches: readonly Branch[],
    isLoad: readonly boolean[],
  ): Float64Array {
    const count = branches.length;
    if (this.base.branches !== count) {
      this.base = terminals(count);
      this.scratch = terminals(count);
      this.loaded = terminals(count);
    }
    this.branches = branches;
    while (this.responsesRe.length < count) {
      this.responsesRe.push(new Float64Array(this.network.nodeCount));
      this.responsesIm.push(new Float64Array(this.network.nodeCount));
    }
    const size = this.evidence.observed.length * count;
    if (this.slopes.length < size) this.slopes = new Float64Array(size);
    this.slopes.fill(0);
    for (const state of this.evidence.states) {
      if (state.repaired) continue;
      const settled = this.enter(state, supposed);
      this.solve();
      const loadsOff = settled.loadsOff;
      branches.forEach(({ a, b }, p) => {
        const re = this.responsesRe[p] as Float64Array;
        const im = this.responsesIm[p] as Float64Array;
        if (loadsOff && isLoad[p]) {
          re.fill(0);
          im.fill(0);
          return;
        }
        const amps: (readonly [number, number, number])[] = [];
        if (a !== earth) amps.push([a, 1, 0]);
        if (b !== earth) amps.push([b, -1, 0]);
        this.solver.respond(amps, re, im);
      });
      for (const { outlet, readings } of state.outlets) {
        this.solver.equivalentAt(outlet, this.base);
        this.takeResponses(outlet);
        for (const reading of readings) this.predictReading(reading, settled, true);
      }
    }
    this.base = terminals(0);
    this.scratch = terminals(0);
    this.loaded = terminals(0);
    this.branches = [];
    return this.slopes;
  }

  private takeResponses(outlet: number): void {
    const contact = this.network.outlets[outlet]?.contact;
    if (contact === undefined) return;
    const { base, solver } = this;
    const nodes = [contact.hot, contact.neutral, contact.ground] as const;
    this.branches.forEach(({ a, b }, p) => {
      const re = this.responsesRe[p] as Float64Array;
      const im = this.responsesIm[p] as Float64Array;
      for (let row = 0; row < 3; row += 1) {
        base.responseRe[3 * p + row] = re[nodes[row] as number] as number;
        base.responseIm[3 * p + row] = im[nodes[row] as number] as number;
      }
      base.acrossRe[p] =
        (a === earth ? 0 : (solver.voltsRe[a] as number)) - (b === earth ? 0 : (solver.voltsRe[b] as number));
      base.acrossIm[p] =
        (a === earth ? 0 : (solver.voltsIm[a] as number)) - (b === earth ? 0 : (solver.voltsIm[b] as number));
    });
  }

  /** Lets protection settle in a state and predicts what tripped by itself. */
  enter(state: StateEvidence, supposed: Supposed): Operation {
    const operation = this.operationIn(state, supposed);
    const { trippedBefore } = state;
    if (this.network.devices.length === 0) {
      this.remembered = this.memory?.viewsIn(operation) ?? null;
      this.unsolved = operation;
      return operation;
    }
    const settled = settleProtection(this.solver, operation);
    if (trippedBefore !== null)
      this.network.devices.forEach((device, index) => {
        this.predicted[trippedBefore.first + index] = settled.trippedBefore.includes(device.id) ? 1 : 0;
      });
    return settled.operation;
  }

  private predictReading(reading: ReadingEvidence, operation: Operation, slopes: boolean): void {
    switch (reading.instrument) {
      case 'lamps':
        this.predictLamps(reading, slopes);
        return;
      case 'meter':
        this.predictPairs(reading, this.base, meterSiemens, slopes);
        return;
      case 'meter-low':
        this.predictPairs(reading, this.base, lowMeterSiemens, slopes);
        return;
      case 'loaded': {
        const { nominalVolts } = this.network.circuit;
        copyTerminals(this.base, this.loaded);
        attach(this.loaded, hot, neutral, reading.setting / nominalVolts);
        this.predictPairs(reading, this.loaded, meterSiemens, slopes);
        return;
      }
      case 'earth-meter':
        contactsAlone.forEach((contact, index) => {
          this.predictMetered(reading.first + index, this.base, contact, toEarth, meterSiemens, slopes);
        });
        return;
      case 'probe':
        contactsAlone.forEach((contact, index) => {
          this.put(reading.first + index, this.base, contact, toEarth, 1, slopes);
        });
        return;
      case 'gfci-button':
        this.predictButton(reading, operation, slopes);
        return;
      case 'own-button':
        this.solve();
        this.predicted[reading.first] =
          buttonCode[ownButton({ solver: this.solver }, reading.outlet, { operation })];
        return;
      case 'tripped-before':
        return;
    }
  }

  private put(channel: number, seen: Terminals, a: number, b: number, scale: number, slopes: boolean): void {
    this.predicted[channel] = voltsBetween(seen, a, b) * scale;
    if (!slopes) return;
    const { branches } = seen;
    for (let p = 0; p < branches; p += 1)
      this.slopes[channel * branches + p] = voltsPerSiemens(seen, a, b, p) * scale;
  }

  private predictMetered(
    channel: number,
    outlet: Terminals,
    a: number,
    b: number,
    siemens: number,
    slopes: boolean,
    scale = 1,
  ): void {
    if (!slopes) {
      this.predicted[channel] = metered(outlet, a, b, siemens) * scale;
      return;
    }
    const offset = channel * outlet.branches;
    this.predicted[channel] = meteredWithSlopes(outlet, a, b, siemens, scale, this.slopes, offset) * scale;
  }

  private predictPairs(
    { first }: ReadingEvidence,
    outlet: Terminals,
    siemens: number,
    slopes: boolean,
  ): void {
    for (let index = 0; index < 3; index += 1) {
      const [a, b] = pairsOfContacts[index] as readonly [number, number];
      this.predictMetered(first + index, outlet, a, b, siemens, slopes);
    }
  }

  private predictLamps({ first }: ReadingEvidence, slopes: boolean): void {
    const share = 1 / this.network.circuit.nominalVolts;
    copyTerminals(this.base, this.scratch);
    for (const [a, b] of pairsOfContacts) attach(this.scratch, a, b, lampSiemens);
    for (let index = 0; index < 3; index += 1) {
      const [a, b] = pairsOfContacts[index] as readonly [number, number];
      this.put(first + index, this.scratch, a, b, share, slopes);
    }
  }

  private predictButton(reading: ReadingEvidence, operation: Operation, slopes: boolean): void {
    const { network, solver, ampsRe, ampsIm } = this;
    const siemens = reading.setting / 1000 / network.circuit.nominalVolts;
    this.predictMetered(reading.first, this.base, hot, ground, siemens, slopes, siemens * 1000);
    const contact = network.outlets[reading.outlet]?.contact;
    if (contact === undefined || network.devices.length === 0) return;
    copyTerminals(this.base, this.loaded);
    attach(this.loaded, hot, ground, siemens);
    const re = ((this.loaded.voltsRe[hot] as number) - (this.loaded.voltsRe[ground] as number)) * siemens;
    const im = ((this.loaded.voltsIm[hot] as number) - (this.loaded.voltsIm[ground] as number)) * siemens;
    solver.respond(
      [
        [contact.hot, -re, -im],
        [contact.ground, re, im],
      ],
      ampsRe,
      ampsIm,
    );
    for (let node = 0; node < network.nodeCount; node += 1) {
      ampsRe[node] = (ampsRe[node] as number) + (solver.voltsRe[node] as number);
      ampsIm[node] = (ampsIm[node] as number) + (solver.voltsIm[node] as number);
    }
    network.devices.forEach((device, index) => {
      const trips =
        operation.deviceStates[index] === 'set' &&
        imbalanceAmps(solver, device, ampsRe, ampsIm) >= thresholdAmps(device.protection);
      this.predicted[reading.first + 1 + index] = trips ? 1 : 0;
    });
  }
}
