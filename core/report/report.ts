import {
  type CautionId,
  type Condition,
  cautions,
  conditionIds,
  conditions,
  type Danger,
  type NotReachedReason,
  standingCautions,
  type Urgency,
  urgencies,
} from '../conditions/index.ts';
import { judgeByLamps, type LostServiceNeutral, type Verdict } from '../diagnosis/index.ts';
import {
  type Coverage,
  chanceOfMissing,
  coverageOf,
  currentReading,
  doubtedReadings,
  type House,
  type InstrumentProof,
  instrumentProofs,
  isTested,
  type Receptacle,
  receptaclesOf,
} from '../inspection/index.ts';
import type { Lamps } from '../instruments/index.ts';
import { dangerAt, type HouseJudgement, type JudgedReceptacle, verdictOn } from '../judgement/index.ts';
import { noDefectNotes, observedFindings } from './observed.ts';

export interface ReportLine {
  readonly id: string;
  readonly name: string;
  readonly lamps: Lamps | null;
  readonly verdict: Verdict | null;
  readonly readAt: string | null;
  /** Number of the finding it belongs to. */
  readonly finding: number | null;
  /** A tester failed its proof after this was read. */
  readonly isDoubted: boolean;
  readonly spot: number | null;
  readonly notReached: NotReachedReason | null;
  /** Why people must be kept away. */
  readonly danger: Danger | null;
  readonly notes: readonly string[];
}

export interface ReportRoom {
  readonly id: string | null;
  readonly name: string;
  readonly door: number;
  readonly lines: readonly ReportLine[];
}

/** A cause on a circuit, with everything that it explains. */
export interface ReportedCause {
  readonly breaker: string;
  readonly words: string;
  readonly where: string;
  readonly receptacles: readonly string[];
}

export interface Finding {
  readonly number: number;
  readonly urgency: Urgency;
  readonly headline: string;
  /** Of what testers showed; null where it was seen. */
  readonly verdict: Verdict | null;
  /** What is wrong if it is what it reads as. */
  readonly what: string;
  readonly why: string;
  readonly correction: string;
  /** Those that apply to this finding beyond the report's standing ones. */
  readonly cautions: readonly string[];
  /** Names of the receptacles that show it. */
  readonly receptacles: readonly string[];
  /** The one cause behind them, where their circuit is known. */
  readonly cause: { readonly words: string; readonly where: string; readonly probability: number } | null;
}

export interface Report {
  readonly house: House;
  readonly summary: {
    readonly receptacles: number;
    readonly tested: number;
    readonly readCorrect: number;
    readonly withFinding: number;
  };
  readonly findings: readonly Finding[];
  readonly rooms: readonly ReportRoom[];
  readonly notTested: readonly string[];
  /** What "reads correct" leaves open, said once for the house; empty while nothing reads correct. */
  readonly notSeen: readonly Condition[];
  /** High on one leg and low on the other, in the whole house. */
  readonly serviceNeutral: LostServiceNeutral | null;
  /** True once the engine has judged all that was read. */
  readonly isFinal: boolean;
  readonly cautions: readonly string[];
  readonly causes: readonly ReportedCause[];
  readonly coverage: Coverage;
  /** Had so many been faulty, the chance that a random sample of this size held none of them. */
  readonly missing: readonly { readonly faulty: number; readonly chance: number }[];
  readonly proofs: readonly InstrumentProof[];
  /** What is no defect. */
  readonly noDefect: readonly string[];
}

/** Cautions of nearly every finding: they stand at the end of the report, not in each. */
const saidOnce: readonly CautionId[] = ['contacts', 'box'];

const dimLamp =
  'A lamp of the tester glowed dimly: the voltage across a pair of contacts is far from normal.';

const mostPressing = (a: Finding, b: Finding): number =>
  urgencies.indexOf(a.urgency) - urgencies.indexOf(b.urgency) ||
  conditionIds.indexOf(a.verdict?.readsAs[0] ?? 'correct') -
    conditionIds.indexOf(b.verdict?.readsAs[0] ?? 'correct');

/** Numbers of faulty receptacles that the chance of missing is said for. */
const supposedFaulty = [1, 3, 5] as const;

interface Gathered {
  readonly verdict: Verdict;
  readonly urgency: Urgency;
  readonly receptacles: string[];
  readonly cause: Finding['cause'];
}

function findingOf({ verdict, urgency, receptacles, cause }: Gathered): Finding {
  const [leading] = verdict.readsAs;
  return {
    number: 0,
    urgency,
    headline: verdict.headline,
    verdict,
    why: verdict.why,
    correction: verdict.correction,
    what:
      leading !== undefined ? conditions[leading].what : verdict.alsoFits.length > 0 ? dimLamp : verdict.why,
    cautions: verdict.cautions.filter((id) => !saidOnce.includes(id)).map((id) => cautions[id]),
    receptacles,
    cause,
  };
}

/** Receptacles with the same name of a finding share it: those of one cause, else those that show alike. */
function findingName(verdict: Verdict, judged: JudgedReceptacle | undefined): string {
  if (judged?.cause) return `breaker ${judged.cause.breaker}, cause ${judged.cause.position}`;
  return judged === undefined ? verdict.signature : `${judged.condition} ${verdict.headline}`;
}

function causeOf(judged: JudgedReceptacle | undefined, judgement: HouseJudgement | null): Finding['cause'] {
  if (!judged?.cause) return null;
  const { breaker, position } = judged.cause;
  const cause = judgement?.circuits.find((circuit) => circuit.breaker === breaker)?.causes[position];
  return cause === undefined
    ? null
    : { words: cause.words, where: cause.where, probability: cause.probability };
}

function causesIn(house: House, judgement: HouseJudgement | null): readonly ReportedCause[] {
  const names = new Map(receptaclesOf(house).map(({ id, name }) => [id, name]));
  return (judgement?.circuits ?? []).flatMap(({ breaker, causes }) =>
    causes
      .filter(({ receptacles }) => receptacles.length > 0)
      .map(({ words, where, receptacles }) => ({
        breaker,
        words,
        where,
        receptacles: receptacles.map((id) => names.get(id) ?? ''),
      })),
  );
}

/**
 * The report on a house as a data model, for screen, print, PDF and files alike. Receptacles of one cause share one
 * finding, and so do those that the evidence cannot tell apart; untested ones are named, never passed over. Without a
 * judgement the lamps alone speak.
 */
export function reportOn(house: House, judgement: HouseJudgement | null = null): Report {
  const proofs = instrumentProofs(house);
  const doubted = doubtedReadings(proofs);
  const judged = (receptacle: Receptacle) => {
    const reading = currentReading(receptacle);
    const { verdict, refined } = verdictOn(receptacle, judgement?.receptacles.get(receptacle.id));
    return {
      receptacle,
      reading,
      refined: refined ?? undefined,
      readAt: reading?.at ?? receptacle.taken.at(-1)?.at ?? null,
      isRead: isTested(receptacle),
      isDoubted: [...receptacle.readings, ...receptacle.taken].some(({ id }) => doubted.has(id)),
      verdict,
    };
  };
  const rooms = house.rooms.map(({ id, name, door, receptacles }) => ({
    id,
    name,
    door,
    outlets: receptacles.map(judged),
  }));
  const outlets = rooms.flatMap((room) => room.outlets);

  const gathered = new Map<string, Gathered>();
  for (const { receptacle, verdict, refined } of outlets) {
    if (verdict === null || verdict.urgency === null) continue;
    const name = findingName(verdict, refined);
    const known = gathered.get(name);
    if (known === undefined)
      gathered.set(name, {
        verdict,
        urgency: verdict.urgency,
        receptacles: [receptacle.name],
        cause: causeOf(refined, judgement),
      });
    else {
      known.receptacles.push(receptacle.name);
      // The most dangerous of what one cause does gives the finding its words.
      const first = (one: Verdict) => conditionIds.indexOf(one.readsAs[0] ?? 'correct');
      if (first(verdict) < first(known.verdict))
        gathered.set(name, { ...known, verdict, urgency: verdict.urgency });
    }
  }
  const verdictOf = new Map(outlets.map(({ receptacle, verdict }) => [receptacle.id, verdict]));
  const seen = observedFindings(house, (id) => verdictOf.get(id) ?? null).map((one) => ({
    name: `seen ${one.headline} ${one.what}`,
    finding: { number: 0, verdict: null, cause: null, ...one },
  }));
  const named = [...[...gathered].map(([name, group]) => ({ name, finding: findingOf(group) })), ...seen]
    .sort((a, b) => mostPressing(a.finding, b.finding))
    .map(({ name, finding }, index) => ({ name, finding: { ...finding, number: index + 1 } }));
  const numberOf = new Map(named.map(({ name, finding }) => [name, finding.number]));

  const coverage = coverageOf(house);
  const readCorrect = outlets.filter(({ verdict }) => verdict?.plain).length;
  const openBehindCorrect =
    judgement?.notSeen ?? judgeByLamps({ lamps: { hn: 'lit', hg: 'lit', ng: 'off' } }).notRuledOut;
  return {
    house,
    summary: {
      receptacles: outlets.length,
      tested: outlets.filter(({ isRead }) => isRead).length,
      readCorrect,
      withFinding: outlets.filter(({ verdict }) => verdict !== null && verdict.urgency !== null).length,
    },
    findings: named.map(({ finding }) => finding),
    rooms: rooms.map((room) => ({
      id: room.id,
      name: room.name,
      door: room.door,
      lines: room.outlets.map(({ receptacle, reading, readAt, verdict, refined, isDoubted }) => ({
        id: receptacle.id,
        name: receptacle.name,
        lamps: reading?.lamps ?? null,
        verdict,
        readAt,
        finding:
          verdict === null || verdict.urgency === null
            ? null
            : (numberOf.get(findingName(verdict, refined)) ?? null),
        isDoubted,
        spot: receptacle.spot,
        notReached: receptacle.notReached,
        danger: dangerAt(receptacle, verdict),
        notes: receptacle.notes.map(({ text }) => text),
      })),
    })),
    notTested: outlets.filter(({ isRead }) => !isRead).map(({ receptacle }) => receptacle.name),
    notSeen: readCorrect === 0 ? [] : openBehindCorrect.map((id) => conditions[id]),
    serviceNeutral: judgement?.serviceNeutral ?? null,
    isFinal: judgement?.isFinal ?? false,
    cautions: standingCautions.map((id) => cautions[id]),
    causes: causesIn(house, judgement),
    coverage,
    missing: supposedFaulty
      .filter((faulty) => coverage.tested > 0 && faulty <= coverage.expected - coverage.tested)
      .map((faulty) => ({ faulty, chance: chanceOfMissing(coverage.expected, faulty, coverage.tested) })),
    proofs,
    noDefect: noDefectNotes(house),
  };
}
