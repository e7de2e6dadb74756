import type { Verdict } from '../assessment/index.ts';
import { dangerAt, type HouseJudgement, verdictOn } from '../assessment/index.ts';
import type { Danger, NotReachedReason } from '../conditions/index.ts';
import {
  type Coverage,
  coverageOf,
  currentLamps,
  doubtedReadings,
  type House,
  type InstrumentProof,
  instrumentProofs,
  isPlainLamps,
  isTested,
  type Receptacle,
} from '../inspection/index.ts';
import type { Lamps } from '../instruments/index.ts';

/** What stands at one receptacle. */
export interface SurveyLine {
  readonly id: string;
  readonly name: string;
  readonly lamps: Lamps | null;
  readonly verdict: Verdict | null;
  readonly readAt: string | null;
  /** What it reads asks for something to be done. */
  readonly hasFinding: boolean;
  /** A tester failed its proof after this was read. */
  readonly isDoubted: boolean;
  readonly spot: number | null;
  readonly notReached: NotReachedReason | null;
  /** Why people must be kept away. */
  readonly danger: Danger | null;
  readonly notes: readonly string[];
}

export interface SurveyRoom<L extends SurveyLine = SurveyLine> {
  readonly id: string | null;
  readonly name: string;
  readonly door: number;
  readonly lines: readonly L[];
}

/** Where the walk of a house stands, receptacle by receptacle. */
export interface Survey<L extends SurveyLine = SurveyLine> {
  readonly house: House;
  readonly summary: {
    readonly receptacles: number;
    readonly tested: number;
    readonly readCorrect: number;
    readonly withFinding: number;
  };
  readonly rooms: readonly SurveyRoom<L>[];
  readonly coverage: Coverage;
  readonly proofs: readonly InstrumentProof[];
}

const remembered = new WeakMap<Receptacle, SurveyLine>();

/** Asked again with nothing new, it is the same object. */
function lineOf(
  receptacle: Receptacle,
  judgement: HouseJudgement | null,
  doubted: ReadonlySet<string>,
): SurveyLine {
  const { verdict } = verdictOn(receptacle, judgement?.receptacles.get(receptacle.id));
  const isDoubted = doubted.size > 0 && receptacle.readings.some(({ id }) => doubted.has(id));
  const known = remembered.get(receptacle);
  if (known !== undefined && known.verdict === verdict && known.isDoubted === isDoubted) return known;
  const line: SurveyLine = {
    id: receptacle.id,
    name: receptacle.name,
    lamps: currentLamps(receptacle),
    verdict,
    readAt: (receptacle.readings.findLast(isPlainLamps) ?? receptacle.readings.at(-1))?.at ?? null,
    hasFinding: verdict !== null && verdict.urgency !== null,
    isDoubted,
    spot: receptacle.spot,
    notReached: receptacle.notReached,
    danger: dangerAt(receptacle, verdict),
    notes: receptacle.notes.map(({ text }) => text),
  };
  remembered.set(receptacle, line);
  return line;
}

/** Without a judgement the lamps alone speak. */
export function surveyOf(house: House, judgement: HouseJudgement | null = null): Survey {
  const proofs = instrumentProofs(house);
  const doubted = doubtedReadings(proofs);
  const rooms = house.rooms.map(({ id, name, door, receptacles }) => ({
    id,
    name,
    door,
    lines: receptacles.map((receptacle) => lineOf(receptacle, judgement, doubted)),
  }));
  const lines = rooms.flatMap((room) => room.lines);
  return {
    house,
    summary: {
      receptacles: lines.length,
      tested: house.rooms.flatMap(({ receptacles }) => receptacles).filter(isTested).length,
      readCorrect: lines.filter(({ verdict }) => verdict?.plain).length,
      withFinding: lines.filter(({ hasFinding }) => hasFinding).length,
    },
    rooms,
    coverage: coverageOf(house),
    proofs,
  };
}
