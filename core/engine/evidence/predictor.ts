import type { Hookup } from '../../instruments/index.ts';
import type { Network, Operation, Solver } from '../../physics/index.ts';
import {
  attach,
  copyTerminals,
  metered,
  meteredWithSlopes,
  ohmsBetween,
  type Terminals,
  terminals,
  toEarth,
  voltsBetween,
  voltsPerSiemens,
} from '../model/terminals.ts';
import type { ReadingEvidence } from './evidence.ts';
import type { Weighing } from './weighing.ts';

const hot = 0;
const neutral = 1;
/** A contact that is reached only through so many ohms is held by nothing: what a meter of high impedance shows there wanders. */
const adriftOhms = 50e3;
/** A meter of less than so many siemens takes nothing from what is adrift. */
const highImpedance = 1e-6;

/** Predicts what each instrument shows, channel by channel, out of how an outlet looks. Keeps its scratch between calls. */
export class Predictor {
  readonly predicted: Float64Array;
  private readonly adrift: Uint8Array;
  /** Change of each channel per siemens of each branch, row by channel. */
  slopes = new Float64Array(0);
  private readonly network: Network;
  /** The solver, with the operation solved that was entered last. */
  private readonly solved: () => Solver;
  /** By the number of branches. */
  private readonly pluggedWith: Terminals[] = [];
  private plugged: Terminals = terminals(0);
  private readonly nodesRe: Float64Array;
  private readonly nodesIm: Float64Array;

  constructor(network: Network, { predicted, adrift }: Weighing, solved: () => Solver) {
    this.network = network;
    this.solved = solved;
    this.predicted = predicted;
    this.adrift = adrift;
    this.nodesRe = new Float64Array(network.nodeCount);
    this.nodesIm = new Float64Array(network.nodeCount);
  }

  /** Makes room for the slopes by so many branches, all nought; none: slopes are not asked for. */
  forBranches(count: number): void {
    this.pluggedWith[count] ??= terminals(count);
    this.plugged = this.pluggedWith[count];
    if (count === 0) return;
    const size = this.predicted.length * count;
    if (this.slopes.length < size) this.slopes = new Float64Array(size);
    else this.slopes.fill(0, 0, size);
  }

  /** Predicts the channels of a reading at an outlet that looks so, and with `slopes` their change per siemens of each branch. */
  reading(reading: ReadingEvidence, base: Terminals, operation: Operation, slopes: boolean): void {
    const { hookup, first, outlet } = reading;
    this.atContacts(hookup, first, base, slopes);
    const { watches } = hookup;
    if (watches === null) return;
    const { network, solved, nodesRe, nodesIm } = this;
    const used = {
      network,
      operation,
      outlet,
      solved,
      drawn: () => this.drawn(hookup, base),
      nodesRe,
      nodesIm,
    };
    watches.predict(used, this.predicted, first + hookup.spans);
  }

  private atContacts(hookup: Hookup, first: number, base: Terminals, slopes: boolean): void {
    const { spans, ends, siemens, together, load, perVolt } = hookup;
    let seen = base;
    if (load > 0 || together) {
      seen = this.plugged;
      copyTerminals(base, seen);
      if (load > 0) attach(seen, hot, neutral, load);
      if (together)
        for (let span = 0; span < spans; span += 1)
          attach(seen, ends[2 * span] as number, ends[2 * span + 1] as number, siemens);
    }
    const isOnlySeen = together || siemens === 0;
    for (let span = 0; span < spans; span += 1) {
      const a = ends[2 * span] as number;
      const b = ends[2 * span + 1] as number;
      this.adrift[first + span] = siemens < highImpedance && ohmsBetween(seen, a, b) > adriftOhms ? 1 : 0;
      if (isOnlySeen) this.put(first + span, seen, a, b, perVolt, slopes);
      else this.metered(first + span, seen, a, b, siemens, slopes, perVolt);
    }
  }

  /** The amperes that an instrument draws through the first of its spans. */
  private drawn({ spans, ends, siemens }: Hookup, base: Terminals): readonly [re: number, im: number] {
    if (spans === 0) return [0, 0];
    const [a, b] = [ends[0] as number, ends[1] as number];
    copyTerminals(base, this.plugged);
    attach(this.plugged, a, b, siemens);
    const { voltsRe, voltsIm } = this.plugged;
    const [endRe, endIm] = b === toEarth ? [0, 0] : [voltsRe[b] as number, voltsIm[b] as number];
    return [((voltsRe[a] as number) - endRe) * siemens, ((voltsIm[a] as number) - endIm) * siemens];
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
