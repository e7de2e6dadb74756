import {
  type CautionId,
  type Condition,
  cautions,
  conditionIds,
  conditions,
  standingCautions,
  type Urgency,
  urgencies,
} from '../conditions/index.ts';
import { judgeByLamps, type LostServiceNeutral, type Verdict } from '../diagnosis/index.ts';
import { currentReading, type House, type Receptacle } from '../inspection/index.ts';
import type { Lamps } from '../instruments/index.ts';
import {
  type HouseJudgement,
  isJudgedAsRead,
  type JudgedReceptacle,
  readingsOf,
  refinedVerdict,
} from '../judgement/index.ts';

export interface ReportLine {
  readonly id: string;
  readonly name: string;
  readonly lamps: Lamps | null;
  readonly verdict: Verdict | null;
  readonly readAt: string | null;
  /** Number of the finding it belongs to. */
  readonly finding: number | null;
}

export interface ReportRoom {
  readonly name: string;
  readonly lines: readonly ReportLine[];
}

export interface Finding {
  readonly number: number;
  readonly urgency: Urgency;
  readonly verdict: Verdict;
  /** What is wrong if it is what it reads as. */
  readonly what: string;
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
}

/** Cautions of nearly every finding: they stand at the end of the report, not in each. */
const saidOnce: readonly CautionId[] = ['contacts', 'box'];

const dimLamp =
  'A lamp of the tester glowed dimly: the voltage across a pair of contacts is far from normal.';

const mostPressing = (a: Finding, b: Finding): number =>
  urgencies.indexOf(a.urgency) - urgencies.indexOf(b.urgency) ||
  conditionIds.indexOf(a.verdict.readsAs[0] ?? 'correct') -
    conditionIds.indexOf(b.verdict.readsAs[0] ?? 'correct');

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
    verdict,
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

/**
 * The report on a house as a data model, for screen, print, PDF and files alike. Receptacles of one cause share one
 * finding, and so do those that the evidence cannot tell apart; untested ones are named, never passed over. Without a
 * judgement the lamps alone speak.
 */
export function reportOn(house: House, judgement: HouseJudgement | null = null): Report {
  const judged = (receptacle: Receptacle) => {
    const reading = currentReading(receptacle);
    const byLamps = reading === null ? null : judgeByLamps({ lamps: reading.lamps });
    const answered = judgement?.receptacles.get(receptacle.id);
    const refined = answered !== undefined && isJudgedAsRead(answered, receptacle) ? answered : undefined;
    return {
      receptacle,
      reading,
      refined,
      readAt: reading?.at ?? receptacle.taken.at(-1)?.at ?? null,
      isRead: readingsOf(receptacle).length > 0,
      verdict: refined === undefined ? byLamps : refinedVerdict(byLamps, refined),
    };
  };
  const rooms = house.rooms.map((room) => ({ name: room.name, outlets: room.receptacles.map(judged) }));
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
  const named = [...gathered]
    .map(([name, group]) => ({ name, finding: findingOf(group) }))
    .sort((a, b) => mostPressing(a.finding, b.finding))
    .map(({ name, finding }, index) => ({ name, finding: { ...finding, number: index + 1 } }));
  const numberOf = new Map(named.map(({ name, finding }) => [name, finding.number]));

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
      name: room.name,
      lines: room.outlets.map(({ receptacle, reading, readAt, verdict, refined }) => ({
        id: receptacle.id,
        name: receptacle.name,
        lamps: reading?.lamps ?? null,
        verdict,
        readAt,
        finding:
          verdict === null || verdict.urgency === null
            ? null
            : (numberOf.get(findingName(verdict, refined)) ?? null),
      })),
    })),
    notTested: outlets.filter(({ isRead }) => !isRead).map(({ receptacle }) => receptacle.name),
    notSeen: readCorrect === 0 ? [] : openBehindCorrect.map((id) => conditions[id]),
    serviceNeutral: judgement?.serviceNeutral ?? null,
    isFinal: judgement?.isFinal ?? false,
    cautions: standingCautions.map((id) => cautions[id]),
  };
}
