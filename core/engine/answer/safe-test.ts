import type { Fault } from '../../faults/index.ts';
import {
  contacts,
  type InstrumentId,
  instruments,
  lampsOf,
  pairs,
  type Reading,
} from '../../instruments/index.ts';
import { type ConditionId, conditions } from '../../knowledge/index.ts';
import type { OutletOpinion } from './posterior.ts';

/** Why a test is not made as things stand, or how it is made. */
export const hazards = [
  /** The ground may be live: a load would put its current there, a button current through whoever touches it. */
  'live-ground',
  /** A neutral that is lost, or may be: a load would drive what hangs on the other leg. */
  'lost-neutral',
  /** The ground may hang in the air: current into it lifts every case that is joined to it. */
  'floating-ground',
  /** The ground may hang in the air, and a meter of low impedance lifts it: it goes between hot and neutral. */
  'hot-neutral-only',
  /** A splice of an ohm or more takes a few hundred watts while it is loaded: once, not again to find it. */
  'bad-splice',
  /** That once is over in ten seconds. */
  'ten-seconds',
  /** Through aluminum, or where scorch, heat, water or a splice was seen that nobody has identified. */
  'seen',
  /** Something there must not lose power. */
  'keeps-power',
  /** Probe and meter come first, at this receptacle. */
  'probe-first',
  'meter-first',
  /** Only where the lamps read correct. */
  'lamps-first',
  /** There is no ground that was proved. */
  'no-proven-ground',
  /** The instrument itself is in doubt. */
  'instrument-in-doubt',
] as const;
export type HazardId = (typeof hazards)[number];

/** These say how a test is made; all others, that it is not. */
const ways: readonly HazardId[] = ['hot-neutral-only', 'ten-seconds'];
export const forbids = (hazard: HazardId | null): boolean => hazard !== null && !ways.includes(hazard);

/** What is known where a test might be made. */
export interface Situation {
  readonly opinion: OutletOpinion;
  /** Of every outlet of the circuit, this one among them. */
  readonly circuit: readonly OutletOpinion[];
  readonly readings: readonly Reading[];
  /** A bad splice of an ohm or more is held. */
  readonly badSpliceHeld?: boolean;
  /** Aluminum, scorch, heat, water or an unidentified splice was seen on the way there. */
  readonly seen?: boolean;
  /** Pressing a button would cut what must not lose power. */
  readonly keepsPower?: boolean;
  /** The neutral of the service may be lost. */
  readonly serviceNeutralLost?: boolean;
  /** Instruments held not to work. */
  readonly doubted?: ReadonlySet<string>;
}

const leastBadOhms = 1;
/** True of faults of which one is a bad splice of an ohm or more in what carries a load. */
export const hasBadSplice = (faults: readonly Fault[]): boolean =>
  faults.some(
    (fault) => fault.kind === 'resistance' && fault.conductor !== 'ground' && fault.ohms >= leastBadOhms,
  );

const mayHold = ({ condition, notRuledOut, ifMisread }: OutletOpinion): readonly ConditionId[] =>
  condition === 'undetermined'
    ? (Object.keys(conditions) as ConditionId[])
    : [condition, ...notRuledOut, ...ifMisread];

const liveGround: readonly ConditionId[] = [
  'energized-ground',
  'reversed-bootleg-ground',
  'hot-ground-reversed',
];
const withoutGround: readonly ConditionId[] = [...liveGround, 'open-ground'];

const readAt = (readings: readonly Reading[], at: string, instrument: InstrumentId): boolean =>
  readings.some((one) => one.at === at && one.instrument === instrument && one.state === undefined);

/** Measured with nothing plugged in for it: by a meter, or by one of low impedance where it went between all three contacts. */
export const isMeasuredAtRest = (readings: readonly Reading[], at: string): boolean =>
  readAt(readings, at, 'meter') ||
  readings.some(
    (one) =>
      one.at === at &&
      one.instrument === 'meter-low' &&
      one.state === undefined &&
      pairs.every((pair) => one[pair] !== undefined),
  );

/** A probe that sounded nowhere, at a receptacle that is to be loaded, tells nothing of its ground: it may be deaf. */
export const isProbed = (readings: readonly Reading[], at: string): boolean =>
  readings.some(
    (one) =>
      one.at === at &&
      one.instrument === 'probe' &&
      one.state === undefined &&
      contacts.some((contact) => one[contact] === true),
  );

/** A ground that another receptacle of the circuit gives: one that reads correct, with nothing against its ground left. */
const hasProvenGround = ({ opinion, circuit }: Situation): boolean =>
  circuit.some(
    (other) =>
      other.id !== opinion.id &&
      other.condition === 'correct' &&
      !other.notRuledOut.some((id) => withoutGround.includes(id) || id === 'bootleg-ground'),
  );

/** The one reason that weighs most against using an instrument at an outlet as things stand, or how it is used; null where nothing is to be said. */
export function hazardOf(instrument: InstrumentId, situation: Situation): HazardId | null {
  const { opinion, circuit, readings, doubted } = situation;
  const here = mayHold(opinion);
  const isHeld = (id: ConditionId): boolean => circuit.some(({ condition }) => condition === id);
  if (isHeld('lost-shared-neutral') || situation.serviceNeutralLost === true) return 'lost-neutral';
  if (
    doubted?.has(instrument) === true ||
    (instrument !== 'lamps' && doubted?.has(readBy(instrument)) === true)
  )
    return 'instrument-in-doubt';
  if (here.some((id) => conditions[id].forbids.includes(instrument))) return 'live-ground';
  switch (instrument) {
    case 'loaded':
      if (liveGround.some(isHeld)) return 'live-ground';
      if (circuit.some((one) => mayHold(one).includes('lost-shared-neutral'))) return 'lost-neutral';
      if (opinion.condition === 'open-neutral') return 'lost-neutral';
      if (situation.seen === true) return 'seen';
      if (situation.badSpliceHeld === true && readings.some((one) => one.instrument === 'loaded'))
        return 'bad-splice';
      if (!isProbed(readings, opinion.id)) return 'probe-first';
      if (!isMeasuredAtRest(readings, opinion.id)) return 'meter-first';
      return situation.badSpliceHeld === true ? 'ten-seconds' : null;
    case 'gfci-button': {
      if (here.some((id) => withoutGround.includes(id))) return 'floating-ground';
      if (situation.keepsPower === true) return 'keeps-power';
      const correct = lampsOf('hn-hg');
      const readsCorrect = readings.some(
        (one) =>
          one.at === opinion.id &&
          one.instrument === 'lamps' &&
          pairs.every((pair) => one[pair] === correct[pair]),
      );
      return readsCorrect || !instruments[instrument].onlyWhereCorrect ? null : 'lamps-first';
    }
    case 'own-button':
      return situation.keepsPower === true ? 'keeps-power' : null;
    case 'meter-low':
      return here.some((id) => withoutGround.includes(id)) ? 'hot-neutral-only' : null;
    case 'earth-meter':
      return hasProvenGround(situation) ? null : 'no-proven-ground';
    default:
      return null;
  }
}

/** The instrument that a reading hangs on: two that are read off a meter are as good as it is. */
export const readBy = (instrument: InstrumentId): string =>
  instrument === 'earth-meter' || instrument === 'loaded' ? 'meter' : instrument;

/** Whether an instrument may be used at an outlet as things stand there. */
export const isSafe = (instrument: InstrumentId, situation: Situation): boolean =>
  !forbids(hazardOf(instrument, situation));
