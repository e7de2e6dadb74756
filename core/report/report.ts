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
import { type Judge, judgeByLamps, type Verdict } from '../diagnosis/index.ts';
import { currentReading, type House, type Receptacle } from '../inspection/index.ts';
import type { Lamps } from '../instruments/index.ts';

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

function findingOf(verdict: Verdict, urgency: Urgency, receptacles: readonly string[]): Finding {
  const [leading] = verdict.readsAs;
  return {
    number: 0,
    urgency,
    verdict,
    what: leading === undefined ? dimLamp : conditions[leading].what,
    cautions: verdict.cautions.filter((id) => !saidOnce.includes(id)).map((id) => cautions[id]),
    receptacles,
  };
}

/**
 * The report on a house as a data model, for screen, print, PDF and files alike. Receptacles that the
 * evidence cannot tell apart share one finding; untested ones are named, never passed over.
 */
export function reportOn(house: House, judge: Judge = judgeByLamps): Report {
  const judged = (receptacle: Receptacle) => {
    const reading = currentReading(receptacle);
    return { receptacle, reading, verdict: reading === null ? null : judge({ lamps: reading.lamps }) };
  };
  const rooms = house.rooms.map((room) => ({ name: room.name, outlets: room.receptacles.map(judged) }));
  const outlets = rooms.flatMap((room) => room.outlets);

  const gathered = new Map<string, { verdict: Verdict; urgency: Urgency; receptacles: string[] }>();
  for (const { receptacle, verdict } of outlets) {
    if (verdict === null || verdict.urgency === null) continue;
    const known = gathered.get(verdict.signature);
    if (known) known.receptacles.push(receptacle.name);
    else
      gathered.set(verdict.signature, { verdict, urgency: verdict.urgency, receptacles: [receptacle.name] });
  }
  const findings = [...gathered.values()]
    .map((group) => findingOf(group.verdict, group.urgency, group.receptacles))
    .sort(mostPressing)
    .map((finding, index) => ({ ...finding, number: index + 1 }));
  const numberOf = new Map(findings.map((finding) => [finding.verdict.signature, finding.number]));

  const readCorrect = outlets.filter(({ verdict }) => verdict?.plain).length;
  const openBehindCorrect = judge({ lamps: { hn: 'lit', hg: 'lit', ng: 'off' } }).notRuledOut;
  return {
    house,
    summary: {
      receptacles: outlets.length,
      tested: outlets.filter(({ reading }) => reading !== null).length,
      readCorrect,
      withFinding: outlets.filter(({ verdict }) => verdict !== null && verdict.urgency !== null).length,
    },
    findings,
    rooms: rooms.map((room) => ({
      name: room.name,
      lines: room.outlets.map(({ receptacle, reading, verdict }) => ({
        id: receptacle.id,
        name: receptacle.name,
        lamps: reading?.lamps ?? null,
        verdict,
        readAt: reading?.at ?? null,
        finding: verdict === null ? null : (numberOf.get(verdict.signature) ?? null),
      })),
    })),
    notTested: outlets.filter(({ reading }) => reading === null).map(({ receptacle }) => receptacle.name),
    notSeen: readCorrect === 0 ? [] : openBehindCorrect.map((id) => conditions[id]),
    cautions: standingCautions.map((id) => cautions[id]),
  };
}
