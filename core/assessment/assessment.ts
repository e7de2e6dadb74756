import { forbids, type LikelyGroup, type LostServiceNeutral, type NextTest } from '../engine/index.ts';
import type { Lamps } from '../instruments/index.ts';
import type { ConditionId, Danger } from '../knowledge/index.ts';
import {
  type Coverage,
  coverageOf,
  currentLamps,
  doubtedReadings,
  type FunctionCheck,
  functionChecksOf,
  type House,
  isPlainLamps,
  type Receptacle,
  receptaclesOf,
} from '../log/index.ts';
import { Hazards } from './hazard-at.ts';
import type { HouseJudgement, JudgedCause, JudgedCircuit, JudgedReceptacle } from './judged.ts';
import { judgeByLamps, type Verdict } from './lamp-verdict.ts';
import { type Miswired, miswiredIn } from './miswired.ts';
import { dangerAt, verdictBy } from './receptacle-verdict.ts';

/** The cause on its circuit that takes a receptacle along. */
export interface CauseAt extends JudgedCause {
  readonly breaker: string;
  readonly position: number;
  readonly circuit: JudgedCircuit;
}

/** All that holds at one receptacle. */
export interface AssessedReceptacle {
  readonly receptacle: Receptacle;
  /** What the lamps show that count; null where none were read. */
  readonly lamps: Lamps | null;
  /** When that was, or whatever else was read there last; ISO time. */
  readonly readAt: string | null;
  /** null while nothing was read. */
  readonly verdict: Verdict | null;
  /** What the engine answered to what is read there now; null until it has. */
  readonly judged: JudgedReceptacle | null;
  /** Why people must be kept away. */
  readonly danger: Danger | null;
  /** The test worth doing next; none where people are kept away. */
  readonly next: NextTest | null;
  readonly cause: CauseAt | null;
  /** A tester failed its function check after this was read. */
  readonly isDoubted: boolean;
}

/** What a house comes to: decided here, once. Everything that is shown, said or printed of a house reads it. */
export interface Assessment {
  readonly house: House;
  /** By id, in the order of the walk. */
  readonly receptacles: ReadonlyMap<string, AssessedReceptacle>;
  readonly circuits: readonly JudgedCircuit[];
  readonly likelyGroups: readonly LikelyGroup[];
  readonly serviceNeutral: LostServiceNeutral | null;
  /** What may hide behind receptacles that read correct; empty where none does. */
  readonly notSeen: readonly ConditionId[];
  /** Where somebody who does not know how joined the wrong wires; null where accident explains what is wrong. */
  readonly miswired: Miswired | null;
  readonly coverage: Coverage;
  readonly functionChecks: readonly FunctionCheck[];
  readonly counts: {
    readonly receptacles: number;
    readonly tested: number;
    readonly readCorrect: number;
    readonly withFinding: number;
  };
  /** The engine has answered to all that is in the house. */
  readonly isFinal: boolean;
  /** What it was made of, so that the next one keeps what did not change. */
  readonly answers: HouseJudgement | null;
}

function causeAt(
  judged: JudgedReceptacle | null,
  circuits: ReadonlyMap<string, JudgedCircuit>,
): CauseAt | null {
  if (judged?.cause == null) return null;
  const { breaker, position } = judged.cause;
  const circuit = circuits.get(breaker);
  const cause = circuit?.causes[position];
  return circuit === undefined || cause === undefined ? null : { breaker, position, circuit, ...cause };
}

/** Somebody said that they have nothing in common. */
const isSetApart = ({ apart = [] }: House, outlets: readonly string[]): boolean =>
  apart.some((ids) => outlets.every((id) => ids.includes(id)));

interface Given {
  readonly answered: JudgedReceptacle | undefined;
  readonly circuits: ReadonlyMap<string, JudgedCircuit>;
  readonly isDoubted: boolean;
}

function assessedAt(receptacle: Receptacle, { answered, circuits, isDoubted }: Given): AssessedReceptacle {
  const lamps = currentLamps(receptacle);
  const { verdict, refined: judged } = verdictBy(receptacle, answered, lamps);
  const danger = dangerAt(receptacle, verdict);
  return {
    receptacle,
    lamps,
    readAt: (receptacle.readings.findLast(isPlainLamps) ?? receptacle.readings.at(-1))?.at ?? null,
    verdict,
    judged,
    danger,
    next: null,
    cause: causeAt(judged, circuits),
    isDoubted,
  };
}

/** Three lamps that read correct leave this open, whatever else is known. */
const openBehindLamps = (): readonly ConditionId[] =>
  judgeByLamps({ lamps: { hn: 'lit', hg: 'lit', ng: 'off' } }).notRuledOut;

/**
 * Assesses a house with the engine's answers, without them by its lamps alone. What neither the house nor the answers
 * changed since `before` keeps its identity.
 */
export function assess(
  house: House,
  answers: HouseJudgement | null = null,
  before: Assessment | null = null,
): Assessment {
  const functionChecks = functionChecksOf(house);
  const doubted = doubtedReadings(functionChecks);
  const circuits = answers?.circuits ?? [];
  const byBreaker = new Map(circuits.map((circuit) => [circuit.breaker, circuit]));
  const receptacles = new Map<string, AssessedReceptacle>();
  for (const receptacle of receptaclesOf(house)) {
    const { id } = receptacle;
    const isDoubted = doubted.size > 0 && receptacle.readings.some((reading) => doubted.has(reading.id));
    const answered = answers?.receptacles.get(id);
    const known = before?.receptacles.get(id);
    const isAsBefore =
      known !== undefined &&
      known.receptacle === receptacle &&
      before?.answers?.receptacles.get(id) === answered &&
      known.isDoubted === isDoubted &&
      known.cause?.circuit === causeAt(known.judged, byBreaker)?.circuit;
    receptacles.set(
      id,
      isAsBefore ? known : assessedAt(receptacle, { answered, circuits: byBreaker, isDoubted }),
    );
  }
  const serviceNeutral = answers?.serviceNeutral ?? null;
  // What the engine asks for where nothing forbids it may be forbidden by what was seen in the house.
  const hazards = new Hazards({ house, receptacles, serviceNeutral, circuits });
  const isForbidden = (next: NextTest | null): boolean =>
    next !== null && forbids(hazards.at(next.at, next.instrument));
  const isAroundAsBefore =
    before !== null &&
    before.house.keepPowered.length === house.keepPowered.length &&
    (before.serviceNeutral === null) === (serviceNeutral === null);
  for (const [id, one] of receptacles) {
    // Nothing bears on one on no breaker but what is there, and what holds in all the house.
    if (isAroundAsBefore && one.receptacle.breaker === null && before.receptacles.get(id) === one) continue;
    const asked = one.danger === null ? (one.judged?.next ?? null) : null;
    const next = isForbidden(asked) ? null : asked;
    if (next !== one.next) receptacles.set(id, { ...one, next });
  }
  const tested = circuits.some(({ next }) => isForbidden(next))
    ? circuits.map((circuit) => (isForbidden(circuit.next) ? { ...circuit, next: null } : circuit))
    : circuits;
  const coverage = coverageOf(house);
  const all = [...receptacles.values()];
  const readCorrect = all.filter(({ verdict }) => verdict?.plain).length;
  return {
    house,
    receptacles,
    circuits: tested,
    likelyGroups: (answers?.likelyGroups ?? []).filter(({ outlets }) => !isSetApart(house, outlets)),
    serviceNeutral,
    miswired: miswiredIn(house, all),
    notSeen: readCorrect === 0 ? [] : (answers?.notSeen ?? openBehindLamps()),
    coverage,
    functionChecks,
    counts: {
      receptacles: all.length,
      tested: coverage.tested,
      readCorrect,
      withFinding: all.filter(({ verdict }) => verdict !== null && verdict.urgency !== null).length,
    },
    isFinal: answers?.isFinal === true,
    answers,
  };
}

/** What holds at a receptacle if its lamps showed this; null: at one that nobody has described yet. */
export function assessDraft(
  receptacle: Receptacle | null,
  lamps: Lamps,
): Pick<AssessedReceptacle, 'verdict' | 'danger'> {
  const verdict =
    receptacle === null ? judgeByLamps({ lamps }) : verdictBy(receptacle, undefined, lamps).verdict;
  return { verdict, danger: receptacle === null ? null : dangerAt(receptacle, verdict) };
}
