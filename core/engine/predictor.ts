import { instruments, type Reads, spansOf } from '../instruments/index.ts';
import type { Network, Operation, Solver } from '../physics/index.ts';
import type { Evidence, ReadingEvidence } from './evidence.ts';
import {
  attach,
  copyTerminals,
  metered,
  meteredWithSlopes,
  type Terminals,
  terminals,
  voltsBetween,
  voltsPerSiemens,
} from './terminals.ts';

const hot = 0;
const neutral = 1;
const nothing = [0, 0] as const;
type Span = readonly [number, number];

/** Predicts what each instrument shows, channel by channel, out of how an outlet looks. Keeps its scratch between calls. */
export class Predictor {
  readonly predicted: Float64Array;
  /** Change of each channel per siemens of each branch, row by channel. */
  slopes = new Float64Array(0);
  private readonly network: Network;
  /** The solver, with the operation solved that was entered last. */
  private readonly solved: () => Solver;
  private plugged: Terminals = terminals(0);
  private readonly nodesRe: Float64Array;
  private readonly nodesIm: Float64Array;

  constructor(network: Network, evidence: Evidence, solved: () => Solver) {
    this.network = network;
    this.solved = solved;
    this.predicted = new Float64Array(evidence.observed.length);
    this.nodesRe = new Float64Array(network.nodeCount);
    this.nodesIm = new Float64Array(network.nodeCount);
  }

  /** Makes room for the slopes by so many branches, all nought; none: slopes are not asked for. */
  forBranches(count: number): void {
    if (this.plugged.branches !== count) this.plugged = terminals(count);
    if (count === 0) return;
    const size = this.predicted.length * count;
    if (this.slopes.length < size) this.slopes = new Float64Array(size);
    this.slopes.fill(0);
  }

  /** Predicts the channels of a reading at an outlet that looks so, and with `slopes` their change per siemens of each branch. */
  reading(reading: ReadingEvidence, base: Terminals, operation: Operation, slopes: boolean): void {
    const { instrument, first } = reading;
    if (instrument === 'tripped-before') return;
    const { reads, watches } = instruments[instrument];
    const spans = spansOf(instrument);
    if (reads !== undefined) this.atContacts(reads, spans, reading, base, slopes);
    if (watches === undefined) return;
    const solver = this.solved();
    const [ampsRe, ampsIm] = reads === undefined ? nothing : this.drawn(reads, spans, reading, base);
    const { nodesRe, nodesIm } = this;
    const { outlet } = reading;
    const used = { solver, operation, outlet, ampsRe, ampsIm, nodesRe, nodesIm };
    watches.predict(used, this.predicted, first + spans.length);
  }

  private atContacts(
    reads: Reads,
    spans: readonly Span[],
    { first, setting }: ReadingEvidence,
    base: Terminals,
    slopes: boolean,
  ): void {
    const { nominalVolts } = this.network.circuit;
    const siemens = reads.siemens(setting, nominalVolts);
    const perVolt = reads.perVolt?.(setting, nominalVolts) ?? 1;
    const load = reads.load?.(setting, nominalVolts) ?? 0;
    let seen = base;
    if (load > 0 || reads.together === true) {
      seen = this.plugged;
      copyTerminals(base, seen);
      if (load > 0) attach(seen, hot, neutral, load);
      if (reads.together === true) for (const [a, b] of spans) attach(seen, a, b, siemens);
    }
    for (let index = 0; index < spans.length; index += 1) {
      const [a, b] = spans[index] as Span;
      if (reads.together === true || siemens === 0) this.put(first + index, seen, a, b, perVolt, slopes);
      else this.metered(first + index, seen, a, b, siemens, slopes, perVolt);
    }
  }

  /** The amperes that an instrument draws through the first of its spans. */
  private drawn(
    reads: Reads,
    spans: readonly Span[],
    { setting }: ReadingEvidence,
    base: Terminals,
  ): readonly [re: number, im: number] {
    const [a, b] = spans[0] ?? [hot, neutral];
    const siemens = reads.siemens(setting, this.network.circuit.nominalVolts);
    copyTerminals(base, this.plugged);
    attach(this.plugged, a, b, siemens);
    const { voltsRe, voltsIm } = this.plugged;
    const at = (volts: Float64Array): number => (volts[a] as number) - (b < 0 ? 0 : (volts[b] as number));
    return [at(voltsRe) * siemens, at(voltsIm) * siemens];
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
    scale: number,
  ): void {
    if (!slopes) {
      this.predicted[channel] = metered(outlet, a, b, siemens) * scale;
      return;
    }
    const offset = channel * outlet.branches;
    this.predicted[channel] = meteredWithSlopes(outlet, a, b, siemens, scale, this.slopes, offset) * scale;
  }
}
