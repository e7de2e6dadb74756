import type { AssessedReceptacle, Assessment, Verdict } from '../assessment/index.ts';
import type { Lamps } from '../instruments/index.ts';
import type { Danger, NotReachedReason } from '../knowledge/index.ts';
import type { Coverage, FunctionCheck, House } from '../log/index.ts';

/** What stands at one receptacle. */
export interface SurveyLine {
  readonly id: string;
  readonly name: string;
  readonly lamps: Lamps | null;
  readonly verdict: Verdict | null;
  readonly readAt: string | null;
  /** What it reads asks for something to be done. */
  readonly hasFinding: boolean;
  /** A tester failed its function check after this was read. */
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
  readonly proofs: readonly FunctionCheck[];
}

function lineOf({ receptacle, lamps, readAt, verdict, danger, isDoubted }: AssessedReceptacle): SurveyLine {
  const { id, name, spot, notReached, notes } = receptacle;
  return {
    id,
    name,
    lamps,
    verdict,
    readAt,
    hasFinding: verdict !== null && verdict.urgency !== null,
    isDoubted,
    spot,
    notReached,
    danger,
    notes: notes.map(({ text }) => text),
  };
}

const lines = new WeakMap<AssessedReceptacle, SurveyLine>();

/** Asked again with nothing new, it is the same object. */
function remembered(assessed: AssessedReceptacle): SurveyLine {
  const line = lines.get(assessed) ?? lineOf(assessed);
  lines.set(assessed, line);
  return line;
}

/** Where the walk stands, room by room. */
export function surveyOf(assessment: Assessment): Survey {
  const { house, counts, coverage, functionChecks, receptacles } = assessment;
  return {
    house,
    summary: counts,
    rooms: house.rooms.map(({ id, name, door, receptacles: inRoom }) => ({
      id,
      name,
      door,
      lines: inRoom.flatMap((one) => {
        const assessed = receptacles.get(one.id);
        return assessed === undefined ? [] : [remembered(assessed)];
      }),
    })),
    coverage,
    proofs: functionChecks,
  };
}
