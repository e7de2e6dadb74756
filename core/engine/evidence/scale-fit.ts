import { type LegScales, type Scales, scaleAt } from '../model/scales.ts';
import { type ReadingEvidence, scaleOf } from './evidence.ts';
import {
  curvatureOfLegs,
  curvatureOfPrior,
  lampsNats,
  nearestScale,
  scaleLimits,
  scaleNats,
  type UsualSupply,
} from './scale.ts';
import { type Form, rowNats, rowSize } from './volts-form.ts';

/** Nats from which on a reading is as good as wrong while a scale is looked for; how well all must fit for none to be; and how many are tried. */
const mostOfOne = 8;
const fitsWell = 0.7;
const scalesTried = 8;
/** Volts that fit ask for a scale more sharply than what is known of it by at least so much; where few were read none may. */
const pinned = 2;
const fewReadings = 3;

/** Readings that share the scales, of volts among others. */
export interface TakenVolts {
  readonly readings: readonly ReadingEvidence[];
  /** 1 of channels that are volts. */
  readonly isVolts: Uint8Array;
  /** Forms of what is volts, in rows. */
  readonly forms: Float64Array;
  /** Readings on the other leg are among them. */
  readonly hasOther: boolean;
  /** The forms that a reading has with one value of it left out. */
  readonly withoutOne: (reading: ReadingEvidence) => Generator<Form>;
  /** Nats that a reading falls short of at a scale, whatever of it is wrong. */
  readonly short: (reading: ReadingEvidence, scale: number) => number;
}

/** Scales so near nominal make no difference to lamps of a tester that takes them for nominal. */
const aboutNominal = 0.02;

/** Fits the scale of all volts, that of the other leg and that of a tester's lamps, from where they stood before. */
export class ScaleFit {
  own = 1;
  other = 1;
  lamps = 1;
  private readonly supply: UsualSupply;

  constructor(supply: UsualSupply) {
    this.supply = supply;
  }

  /** Fits both scales; answers how sharply what was taken asks for each, the other leg's by itself. */
  fit(taken: TakenVolts): LegScales {
    const { readings, forms, isVolts, hasOther } = taken;
    const ratio = this.other / this.own;
    let own = this.start(taken, ratio);
    let other = ratio * own;
    let curvature = curvatureOfPrior;
    let curvatureOfOther = curvatureOfLegs;
    for (let round = 0; round < 5; round += 1) {
      let pull = curvatureOfPrior * this.supply.centre;
      curvature = curvatureOfPrior;
      let pullOfOther = 0;
      curvatureOfOther = curvatureOfLegs;
      for (const { first, index, isOnOtherLeg } of readings) {
        if (isVolts[first] !== 1) continue;
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
    if (hasOther && curvatureOfOther < pinned * curvatureOfLegs)
      curvatureOfOther = this.fitOtherButForOne(taken);
    const asked = { own: curvature, other: curvatureOfOther };
    const told = curvature < pinned * curvatureOfPrior ? this.fitButForOne(taken, asked) : asked;
    this.fitLamps(taken);
    return told;
  }

  /** A tester's lamps light from volts of their own; where the supply stands off nominal they may show what they would at nominal. */
  private fitLamps({ readings, short }: TakenVolts): void {
    this.lamps = 1;
    if (Math.abs(this.own - 1) < aboutNominal) return;
    const asAtNominal: Scales = { own: this.own, other: this.other, lamps: 1 / this.own };
    let gained = -lampsNats(asAtNominal.lamps);
    for (const reading of readings)
      if (reading.instrument === 'lamps')
        gained += short(reading, scaleOf(reading, this)) - short(reading, scaleOf(reading, asAtNominal));
    if (gained > 0) this.lamps = asAtNominal.lamps;
  }

  /**
   * Where none of a few readings fits as it stands, one value may be wrong and the others of its reading tell how the
   * supply stands; answers how sharply they do.
   */
  private fitButForOne({ readings, isVolts, withoutOne, short }: TakenVolts, asked: LegScales): LegScales {
    const { supply } = this;
    const volts = readings.filter(({ first }) => isVolts[first] === 1);
    if (volts.length > fewReadings) return asked;
    const natsAt = (scales: LegScales, { own, other }: LegScales): number =>
      volts.reduce(
        (sum, reading) => sum + short(reading, scaleAt(scales, reading.isOnOtherLeg)),
        scaleNats(scales.own, supply) +
          0.5 * curvatureOfLegs * (scales.other - scales.own) ** 2 +
          0.5 * Math.log((own * other) / (curvatureOfPrior * curvatureOfLegs)),
      );
    const { own, other } = this;
    let best = { scales: { own, other }, asked, nats: natsAt({ own, other }, asked) };
    for (const reading of volts)
      for (const { a, b } of withoutOne(reading)) {
        const { isOnOtherLeg } = reading;
        // What the other leg asks for reaches this one as far as they hang together.
        const share = isOnOtherLeg ? curvatureOfLegs / (a + curvatureOfLegs) : 1;
        const so = { own: curvatureOfPrior + share * a, other: curvatureOfLegs + (isOnOtherLeg ? a : 0) };
        const first = nearestScale(curvatureOfPrior * supply.centre + share * b, so.own);
        const second = isOnOtherLeg ? (b + curvatureOfLegs * first) / so.other : first;
        const scales = { own: first, other: second };
        const nats = natsAt(scales, so);
        if (nats < best.nats) best = { scales, asked: so, nats };
      }
    this.own = best.scales.own;
    this.other = best.scales.other;
    return best.asked;
  }

  /** Where nothing read on the other leg fits as it stands, one value of it may be wrong and the rest tell how that leg stands. */
  private fitOtherButForOne({ readings, isVolts, withoutOne }: TakenVolts): number {
    const { own } = this;
    let least = Number.POSITIVE_INFINITY;
    let curvature: number = curvatureOfLegs;
    for (const reading of readings) {
      if (isVolts[reading.first] !== 1 || !reading.isOnOtherLeg) continue;
      for (const form of withoutOne(reading)) {
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
  private start(taken: TakenVolts, ratio: number): number {
    const { readings, forms, isVolts } = taken;
    let best = this.own;
    let least = this.short(taken, best, ratio);
    if (least <= fitsWell * readings.length) return best;
    const step = Math.max(1, Math.floor(readings.length / scalesTried));
    for (let which = -2; which < readings.length; which += which < 0 ? 1 : step) {
      let scale = which === -2 ? 1 : this.supply.centre;
      if (which >= 0) {
        const { first, index, isOnOtherLeg } = readings[which] as ReadingEvidence;
        if (isVolts[first] !== 1) continue;
        const row = index * rowSize;
        const asked = nearestScale(forms[row + 1] as number, forms[row] as number);
        scale = isOnOtherLeg ? asked / ratio : asked;
      }
      const here = this.short(taken, scale, ratio);
      if (here >= least) continue;
      least = here;
      best = scale;
    }
    return best;
  }

  /** Nats by which what was taken falls short at a scale, none of it by more than what is wrong. */
  private short({ readings, forms, isVolts }: TakenVolts, scale: number, ratio: number): number {
    let sum = scaleNats(scale, this.supply);
    for (const { first, index, isOnOtherLeg } of readings)
      if (isVolts[first] === 1)
        sum += Math.min(mostOfOne, rowNats(forms, index * rowSize, isOnOtherLeg ? ratio * scale : scale));
    return sum;
  }
}
