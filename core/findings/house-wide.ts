import type { Verdict } from '../assessment/index.ts';
import { type Assessment, instrumentWords } from '../assessment/index.ts';
import { type ConditionId, conditions, regions } from '../conditions/index.ts';
import {
  acceptedRemedies,
  aluminumRemedies,
  neutralToGroundLimits,
  type Practice,
  voltageRanges,
} from '../corrections/index.ts';
import { type House, type Receptacle, receptaclesOf } from '../inspection/index.ts';
import { aluminumIn } from './aluminum-signs.ts';
import { evidenceAt } from './evidence.ts';
import { noGrounds, type Place, type Proposal, seenOnly } from './finding.ts';
import { unprotectedPlaces } from './protection-rules.ts';

export interface JudgedHouse {
  readonly house: House;
  readonly assessment: Assessment;
  readonly practice: Practice;
  readonly verdictOf: (id: string) => Verdict | null;
}

const places = (all: readonly Receptacle[]): readonly Place[] => all.map(({ id, name }) => ({ id, name }));

/** To about this year cable came without a ground (common practice: 1962–65). */
const lastWithoutGround = 1962;

/** Said of it, or of an age that hardly had grounds, and nobody said otherwise. */
export const isUngrounded = ({ groundedWiring, yearBuilt }: House): boolean =>
  groundedWiring === false ||
  (groundedWiring === null && yearBuilt !== null && yearBuilt <= lastWithoutGround);

const isThreeSlot = ({ type }: Receptacle): boolean => type !== 'two-slot' && type !== 'range-or-dryer';

/** Three-slot receptacles that read open ground where no ground was ever run: one finding, however many. */
export function ungroundedSystem({ house, verdictOf }: JudgedHouse): readonly Proposal[] {
  if (!isUngrounded(house)) return [];
  const there = receptaclesOf(house).filter(
    (one) => isThreeSlot(one) && verdictOf(one.id)?.readsAs[0] === 'open-ground',
  );
  if (there.length === 0) return [];
  return [
    {
      ...seenOnly,
      key: 'house ungrounded',
      urgency: 'repair',
      headline: 'Three-slot receptacles on wiring without a ground',
      what: 'The house was wired without grounds; receptacles that promise one were put in later.',
      why: 'Whoever plugs in what needs a ground believes it has one. A fault in a metal case is not carried away.',
      correction:
        'A licensed electrician chooses with you: ground-fault protection with its labels, a ground run to each, new cable, or two-slot receptacles again.',
      condition: 'open-ground',
      openFirst: noGrounds,
      retest: conditions['open-ground'].retest,
      receptacles: places(there),
      evidence: there.flatMap(evidenceAt),
    },
  ];
}

const fitsJumper = (verdict: Verdict): boolean => verdict.notRuledOut.includes('bootleg-ground');

/** Three-slot receptacles that read correct where no ground was ever run. */
export function correctWithoutGround({ house, verdictOf }: JudgedHouse): readonly Proposal[] {
  if (!isUngrounded(house)) return [];
  const there = receptaclesOf(house).filter((one) => {
    const verdict = verdictOf(one.id);
    return isThreeSlot(one) && verdict?.readsAs[0] === 'correct' && fitsJumper(verdict);
  });
  if (there.length === 0) return [];
  const hidden = conditions['bootleg-ground'];
  return [
    {
      ...seenOnly,
      key: 'house correct without ground',
      urgency: 'repair',
      headline: 'Reads correct in a house wired without grounds',
      what: 'Either metal raceway or a bonded box brings a ground that nobody sees, or neutral and ground are jumpered.',
      why: hidden.why,
      correction:
        'A load test or a measurement of the ground path decides: a real ground shows neutral to ground rising by about half the drop, a jumper shows none. A licensed electrician looks in the box where it does not.',
      condition: 'bootleg-ground',
      isSuspected: true,
      openFirst: 'no box before a load test tells a real ground from a jumper',
      retest: hidden.retest,
      receptacles: places(there),
      evidence: there.flatMap(evidenceAt),
      notRuledOut: ['reversed-bootleg-ground', 'bootleg-ground'],
    },
  ];
}

/** What somebody made by joining the wrong wires. */
const miswirings: readonly ConditionId[] = [
  'reversed-polarity',
  'hot-ground-reversed',
  'reversed-bootleg-ground',
  'bootleg-ground',
  'neutral-ground-swapped',
];
/** From so many boxes, and such a share of all that were tested, it is no accident (common practice: "many"). */
const manyBoxes = 4;
const manyShare = 0.15;

/** Miswired boxes here and there that no one cause explains. */
export function randomMiswiring({ house, assessment, verdictOf }: JudgedHouse): readonly Proposal[] {
  const all = receptaclesOf(house);
  const tested = all.filter(({ id }) => verdictOf(id) !== null);
  const miswired = tested.filter(({ id }) => miswirings.some((one) => verdictOf(id)?.readsAs[0] === one));
  const boxes = new Set(
    miswired.map(({ id }) => {
      const cause = assessment.receptacles.get(id)?.cause ?? null;
      return cause !== null ? `${cause.breaker} ${cause.position}` : id;
    }),
  );
  if (boxes.size < manyBoxes || miswired.length < manyShare * tested.length) return [];
  return [
    {
      ...seenOnly,
      key: 'house miswired',
      openFirst: 'each box listed, the oldest first',
      retest: 'Lamps, probe and meter at every receptacle of the house.',
      urgency: 'repair',
      headline: 'Miswired in many places: unqualified work',
      what: `${miswired.length} of ${tested.length} receptacles tested are miswired, at ${boxes.size} places that have no cause in common.`,
      why: 'Whoever did this did more than the receptacles show: switches, splices and boxes that nobody has seen.',
      correction:
        'A licensed electrician looks at the whole system, not only at the receptacles listed; in old grey wiring hot is found by meter, never guessed.',
      receptacles: places(miswired),
    },
  ];
}

export function lostService({ assessment }: JudgedHouse): readonly Proposal[] {
  const lost = assessment.serviceNeutral;
  if (lost === null) return [];
  return [
    {
      ...seenOnly,
      key: 'house service neutral',
      openFirst: null,
      retest: 'Volts on both legs, at receptacles of several circuits.',
      urgency: 'act-now',
      headline: 'The service neutral is lost or loose',
      what: `Hot to neutral is high on one leg (${lost.highVolts.toFixed(0)} V) and low on the other (${lost.lowVolts.toFixed(0)} V) in the whole house, while neutral to ground stays near nothing.`,
      why: 'It burns out equipment and can start fires; which appliance goes first is a matter of what is switched on next.',
      correction:
        'Call the utility’s emergency number now; switch off and unplug what can be. A licensed electrician looks afterwards.',
      by: 'utility',
      condition: 'lost-shared-neutral',
      receptacles: [],
      evidence: [
        {
          receptacle: null,
          words: `${lost.highVolts.toFixed(0)} V on one leg, ${lost.lowVolts.toFixed(0)} V on the other`,
          at: null,
        },
      ],
    },
  ];
}

export function aluminum({ house, practice }: JudgedHouse): readonly Proposal[] {
  const seen = aluminumIn(house, practice.schools['copper-clad']);
  if (seen.standing === 'none') return [];
  const school = practice.schools.aluminum;
  const [best, next] = acceptedRemedies(school).map((id) => aluminumRemedies[id].name);
  const isSeen = seen.standing === 'seen';
  return [
    {
      ...seenOnly,
      key: 'house aluminum',
      openFirst: 'the panel, then the oldest receptacle',
      retest: 'Lamps and meter at each; plates stay cool in use. No load test through aluminum.',
      urgency: seen.isFailing ? 'act-now' : isSeen ? 'repair' : 'note',
      headline: isSeen ? 'Aluminum branch wiring' : 'Signs of aluminum branch wiring',
      what: isSeen
        ? 'Conductors of receptacle circuits are aluminum.'
        : 'Something points to aluminum conductors; no cut end was seen that proves it.',
      why: 'It fails at its connections: soft metal creeps and loosens, oxide does not conduct, joints heat. Insurers often refuse it or ask for a certificate.',
      correction: isSeen
        ? `A licensed electrician repairs every connection, at receptacles, switches, lights and splices. Held by this firm to be a repair: ${[best, next].filter((one) => one !== undefined).join('; ')}. Local authority and insurer decide. Devices are not changed for looks before that.`
        : 'A licensed electrician looks at cut ends in the panel and at the oldest receptacles.',
      receptacles: seen.receptacles,
      evidence: seen.evidence,
    },
  ];
}

/** Largest breaker, A, for a conductor: NEC 240.4(D), from memory. */
const copperLimits: Readonly<Record<number, number>> = { 14: 15, 12: 20, 10: 30 };
const aluminumLimits: Readonly<Record<number, number>> = { 12: 15, 10: 25, 8: 40 };

export function smallConductors({ house }: JudgedHouse): readonly Proposal[] {
  const there = receptaclesOf(house).filter(({ coverOff }) => {
    const { awg, breakerAmps, metal } = coverOff ?? {};
    if (awg === undefined || breakerAmps === undefined) return false;
    const limits = metal === 'aluminum' || metal === 'copper-clad' ? aluminumLimits : copperLimits;
    const limit = limits[awg];
    return limit !== undefined && breakerAmps > limit;
  });
  if (there.length === 0) return [];
  return [
    {
      ...seenOnly,
      key: 'house small conductors',
      openFirst: 'the panel',
      retest: 'Breaker against conductor; lamps at the receptacles behind it.',
      urgency: 'repair',
      headline: 'Conductor smaller than its breaker allows',
      what: there
        .map(({ name, coverOff }) => `${name}: ${coverOff?.awg} AWG on ${coverOff?.breakerAmps} A.`)
        .join(' '),
      why: 'The wire can overheat inside the wall before the breaker opens.',
      correction: 'A licensed electrician fits the breaker that the conductor allows, or a larger conductor.',
      receptacles: places(there),
    },
  ];
}

const proofHeadlines = {
  'not-proved': 'not proved',
  'proved-before': 'not proved again afterwards',
  'proved-after': 'not proved beforehand',
  failed: 'failed its proof',
} as const;

export function unprovedTesters({ assessment }: JudgedHouse): readonly Proposal[] {
  const bad = assessment.functionChecks.flatMap(({ instrument, state, readings, doubted }) =>
    state === 'proved' || readings === 0
      ? []
      : [{ name: instrumentWords[instrument].name, words: proofHeadlines[state], doubted: doubted.length }],
  );
  if (bad.length === 0) return [];
  const doubted = bad.reduce((sum, one) => sum + one.doubted, 0);
  return [
    {
      ...seenOnly,
      key: 'house testers',
      urgency: doubted > 0 ? 'repair' : 'note',
      headline: doubted > 0 ? 'A tester failed its proof' : 'Testers not proved before and after',
      what: bad.map(({ name, words }) => `${name}: ${words}.`).join(' '),
      why: 'A tester that fails may show nothing where there is something.',
      correction:
        doubted > 0
          ? `${doubted} readings are read again with a tester that passes.`
          : 'Readings are taken as they are; a proof on a receptacle known to be good belongs before and after.',
      by: 'owner',
      receptacles: [],
    },
  ];
}

/** A share of all receptacles that, left untested, is worth a finding of its own. */
const muchLeft = 0.1;

export function notCovered({ house, assessment }: JudgedHouse): readonly Proposal[] {
  const { coverage } = assessment;
  const untested = coverage.expected - coverage.tested;
  if (coverage.tested === 0 || untested < muchLeft * coverage.expected) return [];
  const there = receptaclesOf(house).filter(({ name }) =>
    coverage.notReached.some((one) => one.name === name),
  );
  return [
    {
      ...seenOnly,
      key: 'house coverage',
      urgency: 'note',
      headline: `${untested} of ${coverage.expected} receptacles were not tested`,
      what: 'Each is named in the report with its reason where one was given.',
      why: 'Nothing is known of them: not tested is not the same as sound.',
      correction: 'They are tested once furniture is moved or rooms are free, before anybody relies on them.',
      by: 'owner',
      receptacles: places(there),
    },
  ];
}

/** Adapters in use; one school leaves those whose ground was verified. */
export function adapters({ house, practice, verdictOf }: JudgedHouse): readonly Proposal[] {
  const there = receptaclesOf(house).filter(({ id, adapter }) => {
    if (!adapter) return false;
    const verdict = verdictOf(id);
    return practice.schools.adapters === 'never' || verdict?.readsAs[0] !== 'correct' || fitsJumper(verdict);
  });
  if (there.length === 0) return [];
  return [
    {
      ...seenOnly,
      key: 'house adapters',
      urgency: 'repair',
      headline: 'Three-to-two adapters in use',
      what: 'The adapter’s tab grounds only where plate screw, yoke, metal box and raceway are all joined to ground.',
      why: 'It lets three prongs in and mostly grounds nothing.',
      correction:
        'Taken out; equipment with three prongs goes to a grounded receptacle. A licensed electrician makes one where it is needed.',
      condition: 'open-ground',
      receptacles: places(there),
      evidence: there.flatMap(evidenceAt),
    },
  ];
}

/** Latest volts of a plain meter at a receptacle. */
const metered = ({ readings }: Receptacle, instrument: 'meter' | 'loaded') =>
  readings.flatMap(({ shown }) => (shown.instrument === instrument ? [shown] : [])).at(-1);

/** Volts from neutral to ground under load, where a load test was made. */
export const neutralToGroundUnderLoad = (receptacle: Receptacle): number | null =>
  metered(receptacle, 'loaded')?.ng ?? null;

/** What the meter read out of range, or too much from neutral to ground, where no condition explains it. */
export function oddVolts({ house, practice, verdictOf }: JudgedHouse): readonly Proposal[] {
  const { nominalVolts } = regions[house.region];
  const [lowest, highest] = nominalVolts === 120 ? voltageRanges[practice.schools.voltage] : [216.2, 253];
  // Lamps that read correct count also where people are kept away for another reason.
  const isPlain = (one: Receptacle): boolean => {
    const verdict = verdictOf(one.id);
    if (verdict === null) return false;
    return (
      verdict.plain || (verdict.readsAs[0] === 'correct' && verdict.urgency === null && verdict.stop !== null)
    );
  };
  const out = receptaclesOf(house).filter((one) => {
    const volts = metered(one, 'meter')?.hn;
    return volts !== undefined && isPlain(one) && (volts < lowest || volts > highest);
  });
  const limit = neutralToGroundLimits[practice.schools['neutral-to-ground']] * (nominalVolts / 120);
  const risen = receptaclesOf(house).filter(
    (one) => isPlain(one) && (neutralToGroundUnderLoad(one) ?? 0) > limit,
  );
  const range: readonly Proposal[] =
    out.length === 0
      ? []
      : [
          {
            ...seenOnly,
            key: 'house voltage',
            openFirst: 'no box before the volts at the service are known',
            retest: 'Volts at the service and here, at another hour.',
            urgency: 'note',
            headline: 'Voltage out of range',
            what: `Hot to neutral lies outside ${lowest} to ${highest} V.`,
            why: 'Equipment runs hot, weak or short-lived.',
            correction:
              'A licensed electrician compares the volts at the service; if they are out of range there, the utility is told.',
            receptacles: places(out),
            evidence: out.flatMap(evidenceAt),
          },
        ];
  const rise: readonly Proposal[] =
    risen.length === 0
      ? []
      : [
          {
            ...seenOnly,
            key: 'house neutral rise',
            urgency: 'note',
            headline: 'Neutral rises above ground under load',
            what: `More than ${limit} V from neutral to ground under load.`,
            why: 'It is the drop along the neutral: long, thin or poorly joined.',
            correction:
              'A licensed electrician looks at the connections of the neutral at the next occasion.',
            condition: 'high-resistance',
            receptacles: places(risen),
            evidence: risen.flatMap(evidenceAt),
          },
        ];
  return [...range, ...rise];
}

/** Rooms that need ground-fault protection by the rule of their year, and where none was found. */
export function missingProtection({ house, practice }: JudgedHouse): readonly Proposal[] {
  if (practice.groundFaultRules === 'off' || house.region !== 'north-america') return [];
  return unprotectedPlaces(house)
    .filter(({ predates }) => !predates)
    .map(({ place, receptacles, from }) => ({
      ...seenOnly,
      key: `house protection ${place}`,
      openFirst: 'the first of them from the panel: a device there protects those after it',
      retest: 'The device’s own button cuts every one of them; reset brings them back.',
      urgency: 'repair',
      headline: `Ground-fault protection missing: ${place}`,
      what: `None was found at these receptacles; new work has needed it there since ${from} (from memory).`,
      why: 'Water and bare floors are near: a fault that a breaker does not notice can kill.',
      correction:
        'A licensed electrician fits a ground-fault device that protects them, and the labels it needs. The local edition decides what is required.',
      receptacles: places(receptacles),
    }));
}

/** Everything that is of the house rather than of one receptacle. */
export const houseWide = (judged: JudgedHouse): readonly Proposal[] =>
  [
    lostService,
    ungroundedSystem,
    correctWithoutGround,
    randomMiswiring,
    aluminum,
    smallConductors,
    adapters,
    oddVolts,
    missingProtection,
    unprovedTesters,
    notCovered,
  ].flatMap((rule) => rule(judged));
