import { type ChannelKind, earth } from '../../instruments/index.ts';
import { type Scales, scaleAt } from '../model/scales.ts';
import type { Evidence, ReadingEvidence } from './evidence.ts';
import { adriftDeficit, channelDeficit, type Tolerance, unrelated, wrongVoltsNats } from './likelihood.ts';
import {
  curvatureOfLegs,
  curvatureOfPrior,
  nearestScale,
  nearNominal,
  scaleLimits,
  scaleNats,
  type UsualSupply,
} from './scale.ts';
import { leastSlipNats, type Slip, type SlipKind, slipsOf } from './slips.ts';
import { cholesky, invertLower } from './triangular.ts';

// Longer than other files: what a reading's form is made of and what it comes to are read together.

/** Values of a meter as one quadratic form in the scale: −2 ln of their likelihood is a·s² − 2b·s + c + 2·base. */
class Form {
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

/** A wrong reading: which, and the slip that explains it where one does. */
export type Wrong = 'value' | 'reading' | SlipKind;

/** Nats from which on a reading is as good as wrong while a scale is looked for; how well all must fit for none to be; and how many are tried. */
const mostOfOne = 8;
const fitsWell = 0.7;
const scalesTried = 8;

/** Nats at the most of a further value of a contact that wanders. */
const wandersAlongNats = 0.7;

/** Nats up to which a reading's volts are taken for right without looking for a slip. */
const fitsPlainly = 4;

/** Scales so near each other make no difference to a lamp. */
const sameScale = 2e-3;

/** Readings as they were weighed. */
export interface Weighed {
  readonly forms: Float64Array;
  /** Nats by which each falls short. */
  readonly short: Float64Array;
  readonly scales: Scales;
}

/** Of a channel that may be held or adrift: it says nothing. */
export const unsettled = 2;

/** Numbers of one reading's form, kept in a row. */
const rowSize = 4;

/**
 * Holds what is predicted against what was read. Volts are held against it up to one scale that all of a leg share; the
 * supply drifts between readings, not within one, and what a load drops is off by one share; so differences within a
 * reading count by the meter's own noise. What is wrong costs no more than being wrong does.
 */
export class Weighing {
  readonly predicted: Float64Array;
  /** 1 where nothing holds one of the contacts that a channel is read between; `unsettled` where that is not known. */
  readonly adrift: Uint8Array;
  /** The scales that were fitted last. */
  private own = 1;
  private other = 1;
  /** Readings on the other leg are among those taken. */
  private hasOther = false;
  private readonly evidence: Evidence;
  private readonly tolerance: Tolerance;
  private readonly supply: UsualSupply;
  private readonly nominalVolts: number;
  private readonly forms: Float64Array;
  /** Of volts, measured or not. */
  private readonly isVolts: Uint8Array;
  private readonly isUnread: Uint8Array;
  /** Nats of what is no volts, and at which scale that was found. */
  private readonly whole: Float64Array;
  private readonly wholeAt: Float64Array;
  private readonly taken: ReadingEvidence[] = [];
  private readonly slips = new Map<number, readonly Slip[]>();
  private readonly form = new Form();
  private readonly wrongVolts: number;

  constructor(evidence: Evidence, nominalVolts: number, tolerance: Tolerance) {
    this.evidence = evidence;
    this.tolerance = { ...tolerance, noiseVolts: Math.hypot(tolerance.noiseVolts, roundingIn(evidence)) };
    this.supply = tolerance.supply ?? nearNominal;
    this.nominalVolts = nominalVolts;
    this.predicted = new Float64Array(evidence.observed.length);
    this.adrift = new Uint8Array(evidence.observed.length);
    this.forms = new Float64Array(evidence.readingCount * rowSize);
    this.whole = new Float64Array(evidence.readingCount);
    this.wholeAt = new Float64Array(evidence.readingCount);
    this.isUnread = Uint8Array.from(evidence.kinds, (kind) => (kind === 'unread' ? 1 : 0));
    this.isVolts = Uint8Array.from(evidence.kinds, (kind) => (kind === 'volts' || kind === 'unread' ? 1 : 0));
    this.wrongVolts = wrongVoltsNats(this.tolerance.noiseVolts);
  }

  get scales(): Scales {
    return { own: this.own, other: this.other };
  }

  set scales({ own, other }: Scales) {
    this.own = own;
    this.other = other;
  }

  private scaleOf({ isOnOtherLeg }: ReadingEvidence): number {
    return isOnOtherLeg ? this.other : this.own;
  }

  /** True of what a meter measured between contacts. */
  holdsVolts({ first }: ReadingEvidence): boolean {
    return this.isVolts[first] === 1;
  }

  /** How many values of a reading there are. */
  private readIn({ first, end }: ReadingEvidence): number {
    let count = end - first;
    for (let channel = first; channel < end; channel += 1) count -= this.isUnread[channel] as number;
    return count;
  }

  /** Begins to gather readings that share a scale. */
  begin(): void {
    this.taken.length = 0;
    this.hasOther = false;
  }

  /** Nats that a reading falls short of at the least, whatever the scale. */
  leastOf(reading: ReadingEvidence): number {
    if (!this.holdsVolts(reading)) return this.deficitOf(reading, this.scaleOf(reading));
    const { form } = this;
    this.formOf(reading, this.evidence.observed, reading.first, -1);
    return Math.min(form.loose + form.nats(nearestScale(form.b, form.a)), leastSlipNats);
  }

  /** Takes a reading as predicted; answers the nats that it falls short of at the least, whatever the scale. */
  take(reading: ReadingEvidence): number {
    this.taken.push(reading);
    if (!this.holdsVolts(reading)) {
      const scale = this.scaleOf(reading);
      const short = this.deficitOf(reading, scale);
      this.whole[reading.index] = short;
      this.wholeAt[reading.index] = scale;
      return short;
    }
    this.hasOther ||= reading.isOnOtherLeg;
    const { form, forms } = this;
    this.formOf(reading, this.evidence.observed, reading.first, -1);
    const row = reading.index * rowSize;
    forms[row] = form.a;
    forms[row + 1] = form.b;
    forms[row + 2] = form.c;
    forms[row + 3] = form.base;
    return Math.min(form.base + form.nats(nearestScale(form.b, form.a)), leastSlipNats);
  }

  /** Takes a reading that shows what it showed before, as it was weighed then. */
  takeAs(reading: ReadingEvidence, { forms, short, scales }: Weighed): number {
    const { index, first, isOnOtherLeg } = reading;
    this.taken.push(reading);
    if (this.isVolts[first] !== 1) {
      const before = short[index] as number;
      this.whole[index] = before;
      this.wholeAt[index] = scaleAt(scales, isOnOtherLeg);
      return before;
    }
    this.hasOther ||= isOnOtherLeg;
    const row = index * rowSize;
    for (let at = row; at < row + rowSize; at += 1) this.forms[at] = forms[at] as number;
    const [a, b] = [forms[row] as number, forms[row + 1] as number];
    return Math.min((forms[row + 3] as number) + rowNats(forms, row, nearestScale(b, a)), leastSlipNats);
  }

  /** What was taken, for readings that will show the same. */
  weighed(): Weighed {
    const short = new Float64Array(this.whole.length);
    for (const reading of this.taken) short[reading.index] = this.takenDeficit(reading);
    return { forms: this.forms.slice(), short, scales: this.scales };
  }

  /** Fits the scales to what was taken; answers the nats that all of it falls short of, every scale counted by its share. */
  weigh(): number {
    const { own, other } = this.fitScale();
    let sum = scaleNats(this.own, this.supply) + 0.5 * Math.log(own / curvatureOfPrior);
    if (this.hasOther)
      sum += 0.5 * (curvatureOfLegs * (this.other - this.own) ** 2 + Math.log(other / curvatureOfLegs));
    for (const reading of this.taken) sum += this.takenDeficit(reading);
    return sum;
  }

  /** Nats of a reading that was taken, at the scale that was fitted. */
  takenDeficit(reading: ReadingEvidence): number {
    const { forms, whole, wholeAt } = this;
    const scale = this.scaleOf(reading);
    if (!this.holdsVolts(reading))
      return Math.abs((wholeAt[reading.index] as number) - scale) < sameScale
        ? (whole[reading.index] as number)
        : this.deficitOf(reading, scale);
    const row = reading.index * rowSize;
    const nats = rowNats(forms, row, scale);
    return nats < fitsPlainly ? nats + (forms[row + 3] as number) : this.deficitOf(reading, scale);
  }

  /** Fits both scales; answers how sharply what was taken asks for each, the other leg's by itself. */
  private fitScale(): Scales {
    const { forms } = this;
    const ratio = this.other / this.own;
    let own = this.startingScale(ratio);
    let other = ratio * own;
    let curvature = curvatureOfPrior;
    let curvatureOfOther = curvatureOfLegs;
    for (let round = 0; round < 5; round += 1) {
      let pull = curvatureOfPrior * this.supply.centre;
      curvature = curvatureOfPrior;
      let pullOfOther = 0;
      curvatureOfOther = curvatureOfLegs;
      for (const { first, index, isOnOtherLeg } of this.taken) {
        if (this.isVolts[first] !== 1) continue;
        const row = index * rowSize;
        const nats = rowNats(forms, row, isOnOtherLeg ? other : own);
        // At first whatever is far off still pulls a little; then only what is not held to be wrong.
        const weight = round < 2 ? 1 / (1 + 0.25 * nats) : 1 / (1 + Math.exp(nats - 8));
        const [by, asks] = [weight * (forms[row + 1] as number), weight * (forms[row] as number)];
        if (isOnOtherLeg) {
          pullOfOther += by;
          curvatureOfOther += asks;
        } else {
          pull += by;
          curvature += asks;
        }
      }
      // What the other leg asks for reaches this one as far as they hang together.
      const share = curvatureOfLegs / curvatureOfOther;
      pull += share * pullOfOther;
      curvature += share * (curvatureOfOther - curvatureOfLegs);
      const next = Math.min(scaleLimits[1], Math.max(scaleLimits[0], pull / curvature));
      const nextOther = (pullOfOther + curvatureOfLegs * next) / curvatureOfOther;
      const isSettled = round > 1 && Math.abs(next - own) < 1e-5 && Math.abs(nextOther - other) < 1e-5;
      own = next;
      other = nextOther;
      if (isSettled) break;
    }
    this.own = own;
    this.other = other;
    if (this.hasOther && curvatureOfOther < 2 * curvatureOfLegs) curvatureOfOther = this.fitOtherButForOne();
    return { own: curvature, other: curvatureOfOther };
  }

  /** Where nothing read on the other leg fits as it stands, one value of it may be wrong and the rest tell how that leg stands. */
  private fitOtherButForOne(): number {
    const { form, own } = this;
    let least = Number.POSITIVE_INFINITY;
    let curvature: number = curvatureOfLegs;
    for (const reading of this.taken) {
      const { first, end, isOnOtherLeg } = reading;
      if (this.isVolts[first] !== 1 || !isOnOtherLeg || this.readIn(reading) < 2) continue;
      for (let left = first; left < end; left += 1) {
        if (this.isUnread[left] === 1) continue;
        this.formOf(reading, this.evidence.observed, first, left);
        const other = (form.b + curvatureOfLegs * own) / (form.a + curvatureOfLegs);
        const nats = form.base + form.nats(other) + 0.5 * curvatureOfLegs * (other - own) ** 2;
        if (nats >= least) continue;
        least = nats;
        curvature = form.a + curvatureOfLegs;
        this.other = other;
      }
    }
    return curvature;
  }

  /**
   * Where a fit begins: as before where all fits well there, else the best of what single readings ask for; the other
   * leg's stands to it as before.
   */
  private startingScale(ratio: number): number {
    const { forms, taken } = this;
    const short = (scale: number): number => {
      let sum = scaleNats(scale, this.supply);
      for (const { first, index, isOnOtherLeg } of taken)
        if (this.isVolts[first] === 1)
          sum += Math.min(mostOfOne, rowNats(forms, index * rowSize, isOnOtherLeg ? ratio * scale : scale));
      return sum;
    };
    let best = this.own;
    let least = short(best);
    if (least <= fitsWell * taken.length) return best;
    const step = Math.max(1, Math.floor(taken.length / scalesTried));
    const tried = (scale: number): void => {
      const here = short(scale);
      if (here >= least) return;
      least = here;
      best = scale;
    };
    tried(1);
    tried(this.supply.centre);
    for (let which = 0; which < taken.length; which += step) {
      const { first, index, isOnOtherLeg } = taken[which] as ReadingEvidence;
      const row = index * rowSize;
      if (this.isVolts[first] !== 1) continue;
      const asked = nearestScale(forms[row + 1] as number, forms[row] as number);
      tried(isOnOtherLeg ? asked / ratio : asked);
    }
    return best;
  }

  /** Nats of one reading at a scale. */
  private deficitOf(reading: ReadingEvidence, scale: number): number {
    const { first, instrument } = reading;
    if (this.isVolts[first] === 1) return this.ofVolts(reading, scale).nats;
    let sum = 0;
    let elsewhere = 0;
    const { kinds, observed } = this.evidence;
    for (let channel = first; channel < reading.end; channel += 1) {
      const kind = kinds[channel] as Exclude<ChannelKind, 'volts' | 'unread'>;
      const scaled = (this.predicted[channel] as number) * (isScaled(kind) ? scale : 1);
      sum += channelDeficit(
        kind,
        observed[channel] as number,
        scaled,
        this.adrift[channel] === 1,
        this.tolerance,
      );
      elsewhere += unrelated[kind];
    }
    if (instrument === 'tripped-before') return sum;
    const { wrongReading } = this.tolerance;
    return -Math.log((1 - wrongReading) * Math.exp(-sum) + wrongReading * Math.exp(-elsewhere));
  }

  /** Nats that a reading falls short of, beyond what is to be expected of one that is right. */
  excessOf(reading: ReadingEvidence, scales: Scales): number {
    const scale = scaleAt(scales, reading.isOnOtherLeg);
    if (!this.holdsVolts(reading)) return this.deficitOf(reading, scale);
    this.formOf(reading, this.evidence.observed, reading.first, -1);
    const { base } = this.form;
    const nats = this.form.nats(scale);
    // What fits well needs no looking for slips.
    const short = nats < fitsPlainly ? nats : this.deficitOf(reading, scale) - base;
    return short - 0.5 * this.readIn(reading);
  }

  /** Nats that a taken reading is let fall short of by scatter, before it is held to fit badly. */
  expectedOf(reading: ReadingEvidence): number {
    const wide = this.holdsVolts(reading) ? (this.forms[reading.index * rowSize + 3] as number) : 0;
    return wide + 0.5 * this.readIn(reading) + 2;
  }

  /** How a reading is held to be wrong; null where it is held to be right. */
  wrongAt(reading: ReadingEvidence, scales: Scales): Wrong | null {
    return this.holdsVolts(reading)
      ? this.ofVolts(reading, scaleAt(scales, reading.isOnOtherLeg)).wrong
      : null;
  }

  private ofVolts(reading: ReadingEvidence, scale: number): { nats: number; wrong: Wrong | null } {
    const { form, tolerance, wrongVolts } = this;
    const { observed } = this.evidence;
    const { first, end, position, instrument } = reading;
    this.formOf(reading, observed, first, -1);
    let most = form.likelihood(scale);
    let sum = most;
    let wrong: Wrong | null = null;
    const byValue = tolerance.wrongValue * Math.exp(-wrongVolts);
    for (let left = first; left < end; left += 1) {
      if (this.isUnread[left] === 1) continue;
      this.formOf(reading, observed, first, left);
      const share = byValue * form.likelihood(scale);
      sum += share;
      if (share <= most) continue;
      most = share;
      wrong = 'value';
    }
    const lightly = tolerance.wrongValue / 0.01;
    for (const slip of this.slipsAt(position, first, end)) {
      this.formOf(reading, slip.values, 0, -1);
      const share = lightly * slip.odds * form.likelihood(scale);
      sum += share;
      if (share <= most) continue;
      most = share;
      wrong = slip.as;
    }
    if (instrument === 'tripped-before') return { nats: -Math.log(sum), wrong };
    const elsewhere = tolerance.wrongReading * Math.exp(-unrelated.volts * this.readIn(reading));
    return { nats: -Math.log(sum + elsewhere), wrong: elsewhere > most ? 'reading' : wrong };
  }

  private slipsAt(position: number, first: number, end: number): readonly Slip[] {
    const known = this.slips.get(position);
    if (known !== undefined) return known;
    const made = slipsOf(
      Array.from(this.evidence.observed.slice(first, end), (value, at) =>
        this.isUnread[first + at] === 1 ? null : value,
      ),
    );
    this.slips.set(position, made);
    return made;
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

  /** The form of a reading's volts as observed from `from` on, but for one that is left out, into `form`. */
  private formOf(
    { first, end, hookup }: ReadingEvidence,
    observed: ArrayLike<number | null>,
    from: number,
    left: number,
  ): void {
    const { form, predicted, adrift, isUnread, nominalVolts } = this;
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
    let det = Math.log1p((drift * drift * pp) / square);
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
      det += Math.log1p(ddIn);
    }
    form.wide = 0.5 * det;
    form.loose = looseNats(wanderers, hookup.ends[1] !== earth);
  }

  /**
   * The inverse square root of the covariance of a reading's three volts, lower triangle by rows, into `into`; rows of
   * what is adrift or was not read are nought. With it residuals that belong together are as good as ones that stand alone.
   */
  whiten(reading: ReadingEvidence, into: Float64Array): void {
    const { predicted } = this;
    const { noiseVolts, drift } = this.tolerance;
    const { first, end, hookup } = reading;
    const isHeld = (channel: number): boolean => this.adrift[channel] !== 1 && this.isUnread[channel] === 0;
    const size = end - first;
    const covariance = scratch;
    for (let row = 0; row < size; row += 1) {
      const p = predicted[first + row] as number;
      const d = this.offBy(p, hookup.load > 0);
      for (let column = 0; column <= row; column += 1) {
        const q = predicted[first + column] as number;
        const e = this.offBy(q, hookup.load > 0);
        covariance[row * size + column] =
          (row === column ? noiseVolts * noiseVolts : 0) +
          (isHeld(first + row) && isHeld(first + column) ? drift * drift * p * q + d * e : 0);
      }
    }
    cholesky(covariance, size);
    invertLower(covariance, size, into);
    for (let row = 0; row < size; row += 1)
      if (!isHeld(first + row))
        for (let column = 0; column < size; column += 1) into[row * size + column] = 0;
  }
}

/** Standard deviation of what is cut off behind a meter's last digit, in volts: whole volts are good to a half, tenths to next to nothing. */
function roundingIn({ kinds, observed }: Evidence): number {
  const isWhole = kinds.every((kind, channel) => kind !== 'volts' || Number.isInteger(observed[channel]));
  return isWhole ? 1 / Math.sqrt(12) : 0;
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

const scratch = new Float64Array(9);

const isScaled = (kind: ChannelKind): boolean => kind === 'lamp' || kind === 'milliamps';

const rowNats = (forms: Float64Array, row: number, scale: number): number =>
  Math.max(
    0,
    0.5 *
      (((forms[row] as number) * scale - 2 * (forms[row + 1] as number)) * scale +
        (forms[row + 2] as number)),
  );
