import { earth } from '../../instruments/index.ts';
import type { ReadingEvidence } from './evidence.ts';
import { adriftDeficit, type Tolerance } from './likelihood.ts';
import { cholesky, invertLower } from './triangular.ts';

/** Of a channel that may be held or adrift: it says nothing. */
export const unsettled = 2;

/** Nats at the most of a further value of a contact that wanders. */
const wandersAlongNats = 0.7;

/** Values of a meter as one quadratic form in the scale: −2 ln of their likelihood is a·s² − 2b·s + c + 2·base. */
export class Form {
  a = 0;
  b = 0;
  c = 0;
  /** Nats for how widely they scatter, and for what is adrift. */
  wide = 0;
  loose = 0;
  get base(): number {
    return this.wide + this.loose;
  }
  nats(scale: number): number {
    return Math.max(0, 0.5 * ((this.a * scale - 2 * this.b) * scale + this.c));
  }
  likelihood(scale: number): number {
    return Math.exp(-this.base - this.nats(scale));
  }
}

/** Numbers of one form, kept in a row: a, b, c and base. */
export const rowSize = 4;

/** Nats of a form kept in a row. */
export const rowNats = (forms: Float64Array, row: number, scale: number): number =>
  Math.max(
    0,
    0.5 *
      (((forms[row] as number) * scale - 2 * (forms[row + 1] as number)) * scale +
        (forms[row + 2] as number)),
  );

/** What is predicted of every channel, and what is known of it. */
export interface Channels {
  readonly predicted: Float64Array;
  /** 1 where nothing holds one of the contacts that a channel is read between; `unsettled` where that is not known. */
  readonly adrift: Uint8Array;
  readonly isUnread: Uint8Array;
}

/** Makes the forms of readings of volts, out of what is predicted and of what nobody knows of meter, supply, load and run. */
export class VoltsForms {
  private readonly channels: Channels;
  private readonly tolerance: Tolerance;
  private readonly nominalVolts: number;
  private readonly form = new Form();

  constructor(channels: Channels, tolerance: Tolerance, nominalVolts: number) {
    this.channels = channels;
    this.tolerance = tolerance;
    this.nominalVolts = nominalVolts;
  }

  /**
   * Standard deviation of one value, in volts, by what nobody knows of the run and of a load that is put on: a share of
   * what is dropped or risen by, which is how far it stands from nothing, or from a whole leg or two.
   */
  private offBy(predicted: number, isLoaded: boolean): number {
    const { loadShare, runShare, mostDropped } = this.tolerance;
    const off = predicted - this.nominalVolts * Math.round(predicted / this.nominalVolts);
    const byRun = mostDropped === undefined ? runShare : runShare * Math.exp(-((off / mostDropped) ** 2));
    return off * (isLoaded ? Math.sqrt(loadShare * loadShare + byRun * byRun) : byRun);
  }

  /** The form of a reading's volts as observed from `from` on, but for one that is left out; the same object each time. */
  of(
    { first, end, hookup }: ReadingEvidence,
    observed: ArrayLike<number | null>,
    from: number,
    left: number,
  ): Form {
    const { form, nominalVolts } = this;
    const { predicted, adrift, isUnread } = this.channels;
    const { noiseVolts, drift } = this.tolerance;
    const square = noiseVolts * noiseVolts;
    let [oo, op, pp, od, pd, dd] = [0, 0, 0, 0, 0, 0];
    let wanderers = 0;
    for (let channel = first; channel < end; channel += 1) {
      if (channel === left || adrift[channel] === unsettled || isUnread[channel] === 1) continue;
      const o = observed[from + channel - first] as number;
      const p = predicted[channel] as number;
      if (adrift[channel] === 1) {
        wandering[wanderers] = adriftDeficit(o, p, nominalVolts, noiseVolts);
        wanderers += 1;
        continue;
      }
      const d = this.offBy(p, hookup.load > 0);
      oo += o * o;
      op += o * p;
      pp += p * p;
      od += o * d;
      pd += p * d;
      dd += d * d;
    }
    const byDrift = (drift * drift) / (square + drift * drift * pp);
    let det = 1 + (drift * drift * pp) / square;
    form.a = (pp - byDrift * pp * pp) / square;
    form.b = (op - byDrift * op * pp) / square;
    form.c = (oo - byDrift * op * op) / square;
    if (dd > 1e-6) {
      const ddIn = (dd - byDrift * pd * pd) / square;
      const odIn = (od - byDrift * op * pd) / square;
      const pdIn = (pd - byDrift * pp * pd) / square;
      const byShare = 1 / (1 + ddIn);
      form.a -= byShare * pdIn * pdIn;
      form.b -= byShare * odIn * pdIn;
      form.c -= byShare * odIn * odIn;
      det *= 1 + ddIn;
    }
    form.wide = 0.5 * Math.log(det);
    form.loose = looseNats(wanderers, hookup.ends[1] !== earth);
    return form;
  }

  /**
   * The inverse square root of the covariance of a reading's three volts, lower triangle by rows, into `into`; rows of
   * what is adrift or was not read are nought. With it residuals that belong together are as good as ones that stand alone.
   */
  whiten(reading: ReadingEvidence, into: Float64Array): void {
    const { predicted, adrift, isUnread } = this.channels;
    const { noiseVolts, drift } = this.tolerance;
    const { first, end, hookup } = reading;
    const size = end - first;
    const covariance = scratch;
    for (let row = 0; row < size; row += 1) {
      const channel = first + row;
      held[row] = adrift[channel] !== 1 && isUnread[channel] === 0 ? 1 : 0;
      offBy[row] = this.offBy(predicted[channel] as number, hookup.load > 0);
      for (let column = 0; column <= row; column += 1) {
        const along = drift * drift * (predicted[channel] as number) * (predicted[first + column] as number);
        covariance[row * size + column] =
          (row === column ? noiseVolts * noiseVolts : 0) +
          (held[row] === 1 && held[column] === 1
            ? along + (offBy[row] as number) * (offBy[column] as number)
            : 0);
      }
    }
    cholesky(covariance, size);
    invertLower(covariance, size, into);
    for (let row = 0; row < size; row += 1)
      if (held[row] === 0) for (let column = 0; column < size; column += 1) into[row * size + column] = 0;
  }
}

const wandering = new Float64Array(3);

/** Nats of the values that wander: of two between pairs of contacts one contact wanders, of three two do; the rest follow. */
function looseNats(count: number, isByPairs: boolean): number {
  const free = isByPairs && count > 1 ? count - 1 : count;
  let sum = 0;
  for (let index = 0; index < count; index += 1)
    sum +=
      index < free ? (wandering[index] as number) : Math.min(wandersAlongNats, wandering[index] as number);
  return sum;
}

/** For one reading's covariance: which of its volts are held, by how much each is off, and the matrix. */
const held = new Uint8Array(3);
const offBy = new Float64Array(3);
const scratch = new Float64Array(9);
