import type { Circuit } from '../circuit/index.ts';
import {
  blindSpots,
  Diagnostician,
  diagnoseAlone,
  type HouseFacts,
  type Inspected,
  type LoneDiagnosis,
  likelyGroups,
  lostServiceNeutral,
  type NextTest,
  type SearchLimits,
  usualLimits,
} from '../engine/index.ts';
import type { InstrumentId, Reading } from '../instruments/index.ts';
import { type ConditionId, conditionIds, regions } from '../knowledge/index.ts';
import { type House, receptaclesOf } from '../log/index.ts';
import {
  answerOf,
  type CircuitAnswer,
  isMisread,
  mostExplanations,
  worthALine,
} from './circuit-judgement.ts';
import { circuitsOf, type FedTogether, guessedCircuit, readingsOf, VoltScale } from './circuits.ts';
import { factsOf } from './house-facts.ts';
import { inspectedOn } from './inspected-on.ts';
import type { HouseJudgement, JudgedReceptacle } from './judged.ts';
import { isSameQuestion, Memo } from './memo.ts';
import { leastWork, type Pace, Work } from './work.ts';

/** Stands for whichever receptacle was asked about. */
const anywhere = 'here';
/** More than a large house has receptacles. */
const mostAnswers = 2000;

/** A test that was found for a receptacle standing for any, at one of them. */
const placed = ({ tells, ...test }: NextTest, at: string): NextTest => ({
  ...test,
  at,
  tells: tells.kind === 'condition' ? { ...tells, at } : tells,
});

/** All that the engine goes by at a receptacle, whose readings are as they were shown. */
interface LoneQuestion {
  readonly readings: readonly Reading[];
  readonly facts: HouseFacts;
  readonly kit: readonly InstrumentId[];
  readonly nominalVolts: number;
  readonly twoLegs: boolean;
}

/** And on a circuit. */
interface CircuitQuestion extends LoneQuestion {
  readonly breaker: string;
  /** From the panel outward, as it is taken to be wired. */
  readonly circuit: Circuit;
  /** Whether somebody said that its neutral is shared, or is not. */
  readonly isShared: boolean | null;
  readonly inspected: readonly Inspected[];
}

/** What the engine answers of a receptacle that stands for any. */
function loneAnswer({ readings, facts, kit, nominalVolts }: LoneQuestion): LoneDiagnosis {
  const scale = new VoltScale(nominalVolts);
  const judged = diagnoseAlone(anywhere, scale.toEngine(readings), facts, kit);
  return { ...judged, table: scale.toShown(judged.table) };
}

/** An answer for any receptacle, put to one of them. */
function judgedAlone(id: string, answer: LoneDiagnosis): JudgedReceptacle {
  const [hot, neutral, ground] = answer.contacts;
  return {
    ...answer,
    id,
    contacts: { hot, neutral, ground },
    next: answer.next === null ? null : placed(answer.next, id),
    table: answer.table.map(({ reading, predicted, ...rest }) => ({
      ...rest,
      reading: { ...reading, at: id },
      predicted: { ...predicted, at: id },
    })),
    explanations: answer.explanations
      .filter(({ probability }, index) => index === 0 || probability >= worthALine)
      .slice(0, mostExplanations)
      .map(({ faults, tripped, instruments, probability, conditions: [condition = 'correct'] }, place) => ({
        faults,
        isTripped: tripped,
        isMisread: !tripped && instruments.length === 0 && isMisread(faults, place),
        instruments,
        probability,
        condition,
      })),
    cause: null,
    isFinal: true,
    isCutShort: false,
  };
}

/** Judges a house again and again as it is walked: what did not change since is not judged anew. */
export class HouseJudge {
  /** Most receptacles of a house that stand alone show the same: what was worked out for one holds for all. */
  private readonly loneAnswers: Memo<LoneQuestion, LoneDiagnosis>;
  private readonly alone: Memo<LoneQuestion & { readonly id: string }, JudgedReceptacle>;
  private readonly blindness = new Memo(blindSpots, mostAnswers);
  /** By breaker, what was asked last and what was answered. */
  private readonly circuits = new Map<
    string,
    { readonly asked: CircuitQuestion; readonly answer: CircuitAnswer }
  >();
  private readonly diagnosticians = new Map<string, { readonly asked: object; readonly of: Diagnostician }>();

  private readonly pace: Pace | null;

  /** Without a pace it takes as long as it takes. */
  constructor(pace: Pace | null = null) {
    this.pace = pace;
    this.loneAnswers = new Memo(loneAnswer, mostAnswers);
    this.alone = new Memo(
      ({ id, ...question }: LoneQuestion & { readonly id: string }) =>
        judgedAlone(id, this.loneAnswers.of(question)),
      mostAnswers,
    );
  }

  /**
   * Answers in steps, as the engine does: null after each slice of work, a judgement when it has become better, and
   * in the end the final one.
   */
  *judging(house: House, kit: readonly InstrumentId[]): Generator<HouseJudgement | null, HouseJudgement> {
    const { nominalVolts, twoLegs } = regions[house.region];
    const asked = { facts: factsOf(house), kit, nominalVolts, twoLegs };
    const circuits = circuitsOf(house).filter(
      ({ receptacles }) => receptacles.length > 1 && receptacles.some((one) => readingsOf(one).length > 0),
    );
    const onCircuit = new Set(circuits.flatMap(({ receptacles }) => receptacles.map(({ id }) => id)));
    const alone: JudgedReceptacle[] = [];
    for (const receptacle of receptaclesOf(house)) {
      const readings = readingsOf(receptacle).map((reading) => ({ ...reading, at: anywhere }));
      if (onCircuit.has(receptacle.id) || readings.length === 0) continue;
      alone.push(this.alone.of({ id: receptacle.id, ...asked, readings }));
      yield null;
    }
    const questions = new Map(
      circuits.map((fed): [FedTogether, CircuitQuestion] => [
        fed,
        {
          ...asked,
          breaker: fed.breaker,
          circuit: guessedCircuit(fed),
          twoLegs: twoLegs && fed.legs !== 'one-leg',
          isShared: fed.isShared,
          inspected: inspectedOn(house, fed),
          readings: fed.receptacles.flatMap(readingsOf),
        },
      ]),
    );
    const answers = new Map<string, CircuitAnswer>();
    const open = new Map(questions);
    for (const [fed, question] of questions) {
      const known = this.circuits.get(fed.breaker);
      if (known === undefined) continue;
      answers.set(fed.breaker, known.answer);
      if (isSameQuestion(known.asked, question)) open.delete(fed);
    }
    const judged = (isFinal: boolean): HouseJudgement =>
      gathered(house, alone, answers, circuits, isFinal, this.blindness);
    if (open.size > 0) yield judged(false);
    let spent = 0;
    for (const [fed, question] of open) {
      const work = new Work();
      for (const answer of this.onCircuit(fed, question, work, spent)) {
        if (answer === null) {
          yield null;
          continue;
        }
        answers.set(fed.breaker, answer);
        // An answer that was stopped on the way is not one to go by next time.
        if (answer.circuit.isFinal) this.circuits.set(fed.breaker, { asked: question, answer });
        yield judged(false);
      }
      spent += work.done;
    }
    return judged(true);
  }

  /** For the work on one circuit, where that on others before it came to so much. */
  private limitsOf(work: Work, spent: number): SearchLimits {
    const { pace } = this;
    if (pace === null) return usualLimits;
    const most = Math.max(leastWork, Math.min(pace.circuit, pace.house - spent));
    return { ...usualLimits, isOver: () => work.done > most };
  }

  private *onCircuit(
    fed: FedTogether,
    asked: CircuitQuestion,
    work: Work,
    spent: number,
  ): Generator<CircuitAnswer | null> {
    const scale = new VoltScale(asked.nominalVolts);
    const run = this.diagnosticianOf(asked).diagnosing(
      { readings: scale.toEngine(asked.readings), trippedBefore: null, kit: asked.kit },
      this.limitsOf(work, spent),
    );
    for (;;) {
      const step = work.turn(() => run.next());
      yield step.value === null ? null : answerOf(fed, asked.circuit, step.value, scale, asked.nominalVolts);
      if (step.done) return;
    }
  }

  /** What is known of a circuit's wiring alone outlasts the readings. */
  private diagnosticianOf({
    breaker,
    circuit,
    facts,
    twoLegs,
    isShared,
    inspected,
  }: CircuitQuestion): Diagnostician {
    const asked = { circuit, facts, twoLegs, isShared, inspected };
    const held = this.diagnosticians.get(breaker);
    if (held !== undefined && isSameQuestion(held.asked, asked)) return held.of;
    const made = new Diagnostician({
      circuit,
      // Whether a breaker shares its neutral with another, nobody has said; where there is one leg, none does.
      legs: twoLegs && isShared === null ? 'unknown' : 'as-written',
      inspected,
      house: facts,
      unknownLoads: true,
      unknownDevices: new Set(),
      guessed: true,
    });
    this.diagnosticians.set(breaker, { asked, of: made });
    return made;
  }
}

type Blindness = Memo<readonly InstrumentId[], readonly ConditionId[]>;

/** What may hide behind the receptacles that read correct, each with no more than was used there. */
function notSeenIn(
  house: House,
  judged: ReadonlyMap<string, JudgedReceptacle>,
  blindness: Blindness,
): readonly ConditionId[] {
  const hidden = new Set<ConditionId>();
  for (const receptacle of receptaclesOf(house)) {
    const one = judged.get(receptacle.id);
    const used = readingsOf(receptacle).map(({ instrument }) => instrument);
    if (one?.condition !== 'correct' || used.length === 0) continue;
    for (const id of blindness.of([...new Set(used)].sort())) hidden.add(id);
  }
  return conditionIds.filter((id) => hidden.has(id));
}

function gathered(
  house: House,
  alone: readonly JudgedReceptacle[],
  answers: ReadonlyMap<string, CircuitAnswer>,
  circuits: readonly FedTogether[],
  isFinal: boolean,
  blindness: Blindness,
): HouseJudgement {
  const all = [...alone, ...[...answers.values()].flatMap(({ judged }) => judged)];
  const receptacles = new Map(all.map((one) => [one.id, one]));
  const breakerOf = new Map(receptaclesOf(house).map(({ id, breaker }) => [id, breaker]));
  return {
    receptacles,
    circuits: circuits.flatMap(({ breaker }) => answers.get(breaker)?.circuit ?? []),
    likelyGroups: likelyGroups(
      receptaclesOf(house).map(({ id, breaker }) => ({
        id,
        condition: receptacles.get(id)?.condition ?? null,
        isGrouped: breaker !== null,
      })),
    ),
    serviceNeutral: lostServiceNeutral(
      receptaclesOf(house).flatMap(readingsOf),
      (id) => breakerOf.get(id) ?? id,
      regions[house.region].nominalVolts,
    ),
    notSeen: notSeenIn(house, receptacles, blindness),
    isFinal,
  };
}
