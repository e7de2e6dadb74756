import type { ChannelKind } from '../../instruments/index.ts';
import type { Scales } from '../model/scales.ts';
import { type Evidence, type ReadingEvidence, scaleOf } from './evidence.ts';
import { channelDeficit, type Tolerance, unrelated, wrongVoltsNats } from './likelihood.ts';
import { roundingIn } from './rounding.ts';
import {
  curvatureOfLegs,
  curvatureOfPrior,
  lampsNats,
  nearestScale,
  nearNominal,
  scaleNats,
  type UsualSupply,
} from './scale.ts';
import { ScaleFit } from './scale-fit.ts';
import { leastSlipNats, type Slip, slipsOf, type Wrong } from './slips.ts';
import { type Form, rowNats, rowSize, VoltsForms } from './volts-form.ts';

/** Nats up to which a reading's volts are taken for right without looking for a slip. */
const fitsPlainly = 4;
/** A slip that explains a reading so much worse than all else does is not looked at. */
const negligible = 1e-4;
/** Scales so near each other make no difference to a lamp. */
const sameScale = 2e-3;

/** Readings as they were weighed. */
export interface Weighed {
  readonly forms: Float64Array;
  /** Nats by which each falls short. */
  readonly short: Float64Array;
  readonly scales: Scales;
}

/**
 * Holds what is predicted against what was read. Volts are held against it up to one scale that all of a leg share; the
 * supply drifts between readings, not within one, and what a load drops is off by one share; so differences within a
 * reading count by the meter's own noise. What is wrong costs no more than being wrong does.
 */
export class Weighing {
  readonly predicted: Float64Array;
  /** 1 where nothing holds one of the contacts that a channel is read between; `unsettled` where that is not known. */
  readonly adrift: Uint8Array;
  /** The scales, as they were fitted last. */
  private readonly scaleFit: ScaleFit;
  /** Readings on the other leg are among those taken. */
  private hasOther = false;
  private readonly evidence: Evidence;
  private readonly tolerance: Tolerance;
  private readonly supply: UsualSupply;
  private readonly forms: Float64Array;
  /** Of volts, measured or not. */
  private readonly isVolts: Uint8Array;
  readonly isUnread: Uint8Array;
  /** Nats of what is no volts, and at which scale that was found. */
  private readonly whole: Float64Array;
  private readonly wholeAt: Float64Array;
  private readonly taken: ReadingEvidence[] = [];
  private readonly slips = new Map<number, readonly Slip[]>();
  readonly voltsForms: VoltsForms;
  private readonly wrongVolts: number;
  /** Nats of a reading with each of its values left out. */
  private readonly without = new Float64Array(3);
  private readonly ofOne = {
    withoutOne: (reading: ReadingEvidence) => this.withoutOne(reading),
    short: (reading: ReadingEvidence, scale: number) => this.deficitOf(reading, scale),
  };

  constructor(evidence: Evidence, nominalVolts: number, tolerance: Tolerance) {
    this.evidence = evidence;
    this.tolerance = { ...tolerance, noiseVolts: Math.hypot(tolerance.noiseVolts, roundingIn(evidence)) };
    this.supply = tolerance.supply ?? nearNominal;
    this.predicted = new Float64Array(evidence.observed.length);
    this.adrift = new Uint8Array(evidence.observed.length);
    this.forms = new Float64Array(evidence.readingCount * rowSize);
    this.whole = new Float64Array(evidence.readingCount);
    this.wholeAt = new Float64Array(evidence.readingCount);
    this.isUnread = Uint8Array.from(evidence.kinds, (kind) => (kind === 'unread' ? 1 : 0));
    this.isVolts = Uint8Array.from(evidence.kinds, (kind) => (kind === 'volts' || kind === 'unread' ? 1 : 0));
    this.wrongVolts = wrongVoltsNats(this.tolerance.noiseVolts);
    this.voltsForms = new VoltsForms(this, this.tolerance, nominalVolts);
    this.scaleFit = new ScaleFit(this.supply);
  }

  get scales(): Scales {
    const { own, other, lamps } = this.scaleFit;
    return { own, other, lamps };
  }

  set scales({ own, other, lamps }: Scales) {
    this.scaleFit.own = own;
    this.scaleFit.other = other;
    this.scaleFit.lamps = lamps;
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

  /** The form of a reading's volts, all of them as they were read. */
  private asRead(reading: ReadingEvidence): Form {
    return this.voltsForms.of(reading, this.evidence.observed, reading.first, -1);
  }

  private *withoutOne(reading: ReadingEvidence): Generator<Form> {
    const { first, end } = reading;
    if (this.readIn(reading) < 2) return;
    for (let left = first; left < end; left += 1)
      if (this.isUnread[left] !== 1) yield this.voltsForms.of(reading, this.evidence.observed, first, left);
  }

  /** Begins to gather readings that share a scale. */
  begin(): void {
    this.taken.length = 0;
    this.hasOther = false;
  }

  /** Nats that a reading falls short of at the least, whatever the scale. */
  leastOf(reading: ReadingEvidence): number {
    if (!this.holdsVolts(reading)) return this.deficitOf(reading, scaleOf(reading, this.scaleFit));
    const form = this.asRead(reading);
    return Math.min(form.loose + form.nats(nearestScale(form.b, form.a)), leastSlipNats);
  }

  /** Takes a reading as predicted; answers the nats that it falls short of at the least, whatever the scale. */
  take(reading: ReadingEvidence): number {
    this.taken.push(reading);
    if (!this.holdsVolts(reading)) {
      const scale = scaleOf(reading, this.scaleFit);
      const short = this.deficitOf(reading, scale);
      this.whole[reading.index] = short;
      this.wholeAt[reading.index] = scale;
      return short;
    }
    this.hasOther ||= reading.isOnOtherLeg;
    const { forms } = this;
    const form = this.asRead(reading);
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
      this.wholeAt[index] = scaleOf(reading, scales);
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

  /** Fits the scales to what was taken; answers the nats that all of it falls short of, every scale counted by its share; Infinity beyond the limit. */
  weigh(limit: number = Number.POSITIVE_INFINITY): number {
    const { taken: readings, forms, isVolts, hasOther, scaleFit } = this;
    const asked = scaleFit.fit({ readings, forms, isVolts, hasOther, ...this.ofOne });
    const { own, other, lamps } = scaleFit;
    let sum = scaleNats(own, this.supply) + lampsNats(lamps) + 0.5 * Math.log(asked.own / curvatureOfPrior);
    if (hasOther)
      sum += 0.5 * (curvatureOfLegs * (other - own) ** 2 + Math.log(asked.other / curvatureOfLegs));
    for (const reading of readings) {
      sum += this.takenDeficit(reading);
      if (sum > limit) return Number.POSITIVE_INFINITY;
    }
    return sum;
  }

  /** Nats of a reading that was taken, at the scale that was fitted. */
  takenDeficit(reading: ReadingEvidence): number {
    const { forms, whole, wholeAt } = this;
    const scale = scaleOf(reading, this.scaleFit);
    if (!this.holdsVolts(reading))
      return Math.abs((wholeAt[reading.index] as number) - scale) < sameScale
        ? (whole[reading.index] as number)
        : this.deficitOf(reading, scale);
    const row = reading.index * rowSize;
    const nats = rowNats(forms, row, scale);
    return nats < fitsPlainly ? nats + (forms[row + 3] as number) : this.deficitOf(reading, scale);
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
    const scale = scaleOf(reading, scales);
    if (!this.holdsVolts(reading)) return this.deficitOf(reading, scale);
    const form = this.asRead(reading);
    const { base } = form;
    const nats = form.nats(scale);
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
    return this.holdsVolts(reading) ? this.ofVolts(reading, scaleOf(reading, scales)).wrong : null;
  }

  private ofVolts(reading: ReadingEvidence, scale: number): { nats: number; wrong: Wrong | null } {
    const { tolerance, wrongVolts, voltsForms, without } = this;
    const { observed } = this.evidence;
    const { first, end, position, instrument } = reading;
    let most = this.asRead(reading).likelihood(scale);
    let sum = most;
    let wrong: Wrong | null = null;
    const byValue = tolerance.wrongValue * Math.exp(-wrongVolts);
    for (let left = first; left < end; left += 1) {
      if (this.isUnread[left] === 1) continue;
      const form = voltsForms.of(reading, observed, first, left);
      without[left - first] = form.nats(scale);
      const share = byValue * form.likelihood(scale);
      sum += share;
      if (share <= most) continue;
      most = share;
      wrong = 'value';
    }
    const shown = this.evidence.elsewhere[reading.index] as number;
    const elsewhere = tolerance.wrongReading * shown * Math.exp(-unrelated.volts * this.readIn(reading));
    const lightly = tolerance.wrongValue / 0.01;
    for (const slip of this.slipsAt(position, first, end)) {
      // What its other values fall short by, it does at the least.
      const atMost = slip.at === -1 ? 1 : Math.exp(-(without[slip.at] as number));
      if (lightly * slip.odds * atMost < negligible * (sum + elsewhere)) continue;
      const share = lightly * slip.odds * voltsForms.of(reading, slip.values, 0, -1).likelihood(scale);
      sum += share;
      if (share <= most) continue;
      most = share;
      wrong = slip.as;
    }
    if (instrument === 'tripped-before') return { nats: -Math.log(sum), wrong };
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
}

const isScaled = (kind: ChannelKind): boolean => kind === 'lamp' || kind === 'milliamps';
