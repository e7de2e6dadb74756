import {
  imbalanceAmps,
  lampSiemens,
  lowMeterSiemens,
  meterSiemens,
  ownButton,
  thresholdAmps,
} from '../instruments/index.ts';
import type { Network, Operation, Solver } from '../physics/index.ts';
import { buttonCode, type Evidence, type ReadingEvidence } from './evidence.ts';
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

const hot = 0;
const neutral = 1;
const ground = 2;
const pairsOfContacts = [
  [hot, neutral],
  [hot, ground],
  [neutral, ground],
] as const;
const contactsAlone = [hot, neutral, ground] as const;

/** Predicts what each instrument shows, channel by channel, out of how an outlet looks. Keeps its scratch between calls. */
export class Predictor {
  readonly predicted: Float64Array;
  /** Change of each channel per siemens of each branch, row by channel. */
  slopes = new Float64Array(0);
  private readonly network: Network;
  /** The solver, with the operation solved that was entered last. */
  private readonly solved: () => Solver;
  private scratch: Terminals = terminals(0);
  private loaded: Terminals = terminals(0);
  private readonly ampsRe: Float64Array;
  private readonly ampsIm: Float64Array;

  constructor(network: Network, evidence: Evidence, solved: () => Solver) {
    this.network = network;
    this.solved = solved;
    this.predicted = new Float64Array(evidence.observed.length);
    this.ampsRe = new Float64Array(network.nodeCount);
    this.ampsIm = new Float64Array(network.nodeCount);
  }

  /** Makes room for the slopes by so many branches, all nought; none: slopes are not asked for. */
  forBranches(count: number): void {
    if (this.scratch.branches !== count) {
      this.scratch = terminals(count);
      this.loaded = terminals(count);
    }
    if (count === 0) return;
    const size = this.predicted.length * count;
    if (this.slopes.length < size) this.slopes = new Float64Array(size);
    this.slopes.fill(0);
  }

  /** Predicts the channels of a reading at an outlet that looks so, and with `slopes` their change per siemens of each branch. */
  reading(reading: ReadingEvidence, base: Terminals, operation: Operation, slopes: boolean): void {
    switch (reading.instrument) {
      case 'lamps':
        this.lamps(reading, base, slopes);
        return;
      case 'meter':
        this.pairs(reading, base, meterSiemens, slopes);
        return;
      case 'meter-low':
        this.pairs(reading, base, lowMeterSiemens, slopes);
        return;
      case 'loaded': {
        const { nominalVolts } = this.network.circuit;
        copyTerminals(base, this.loaded);
        attach(this.loaded, hot, neutral, reading.setting / nominalVolts);
        this.pairs(reading, this.loaded, meterSiemens, slopes);
        return;
      }
      case 'earth-meter':
        contactsAlone.forEach((contact, index) => {
          this.metered(reading.first + index, base, contact, toEarth, meterSiemens, slopes);
        });
        return;
      case 'probe':
        contactsAlone.forEach((contact, index) => {
          this.put(reading.first + index, base, contact, toEarth, 1, slopes);
        });
        return;
      case 'gfci-button':
        this.button(reading, base, operation, slopes);
        return;
      case 'own-button':
        this.predicted[reading.first] =
          buttonCode[ownButton({ solver: this.solved() }, reading.outlet, { operation })];
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

  private metered(
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

  private pairs({ first }: ReadingEvidence, outlet: Terminals, siemens: number, slopes: boolean): void {
    for (let index = 0; index < 3; index += 1) {
      const [a, b] = pairsOfContacts[index] as readonly [number, number];
      this.metered(first + index, outlet, a, b, siemens, slopes);
    }
  }

  private lamps({ first }: ReadingEvidence, base: Terminals, slopes: boolean): void {
    const share = 1 / this.network.circuit.nominalVolts;
    copyTerminals(base, this.scratch);
    for (const [a, b] of pairsOfContacts) attach(this.scratch, a, b, lampSiemens);
    for (let index = 0; index < 3; index += 1) {
      const [a, b] = pairsOfContacts[index] as readonly [number, number];
      this.put(first + index, this.scratch, a, b, share, slopes);
    }
  }

  private button(reading: ReadingEvidence, base: Terminals, operation: Operation, slopes: boolean): void {
    const { network, ampsRe, ampsIm } = this;
    const siemens = reading.setting / 1000 / network.circuit.nominalVolts;
    this.metered(reading.first, base, hot, ground, siemens, slopes, siemens * 1000);
    const contact = network.outlets[reading.outlet]?.contact;
    if (contact === undefined || network.devices.length === 0) return;
    const solver = this.solved();
    copyTerminals(base, this.loaded);
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
