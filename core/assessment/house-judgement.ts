import type { Circuit } from '../circuit/index.ts';
import {
  blindSpots,
  Diagnostician,
  type Inspected,
  type LoneDiagnosis,
  likelyGroups,
  lostServiceNeutral,
  type SearchLimits,
  usualLimits,
} from '../engine/index.ts';
import type { InstrumentId } from '../instruments/index.ts';
import { type ConditionId, conditionIds, regions } from '../knowledge/index.ts';
import { type House, receptaclesOf } from '../log/index.ts';
import { answerOf, type CircuitAnswer } from './circuit-judgement.ts';
import { circuitsOf, type FedTogether, guessedCircuit, readingsOf, VoltScale } from './circuits.ts';
import { factsOf } from './house-facts.ts';
import { inspectedOn } from './inspected-on.ts';
import type { HouseJudgement, JudgedReceptacle } from './judged.ts';
import { anywhere, judgedAlone, type LoneQuestion, loneAnswer } from './lone-judgement.ts';
import { isSameQuestion, Memo } from './memo.ts';
import { leastWork, type Pace, Work } from './work.ts';

/** More than a large house has receptacles. */
const mostAnswers = 2000;

/** All that it goes by on a circuit. */
interface CircuitQuestion extends LoneQuestion {
  readonly breaker: string;
  /** From the panel outward, as it is taken to be wired. */
  readonly circuit: Circuit;
  /** Whether somebody said that its neutral is shared, or is not. */
  readonly isShared: boolean | null;
  readonly inspected: readonly Inspected[];
}

/** What was answered of a circuit. Plain data: it may be kept. */
export interface KnownCircuit {
  readonly breaker: string;
  /** All that it was an answer to, in writing. */
  readonly question: string;
  readonly answer: CircuitAnswer;
}

/** Judges a house again and again as it is walked: what did not change since is not judged anew. */
export class HouseJudge {
  /** Most receptacles of a house that stand alone show the same: what was worked out for one holds for all. */
  private readonly loneAnswers: Memo<LoneQuestion, LoneDiagnosis>;
  private readonly alone: Memo<LoneQuestion & { readonly id: string }, JudgedReceptacle>;
  private readonly blindness = new Memo(blindSpots, mostAnswers);
  /** By breaker, what was asked last and what was answered. */
  private readonly circuits = new Map<string, KnownCircuit>();
  /** By breaker, what was answered by another judge before this one. */
  private readonly kept: ReadonlyMap<string, KnownCircuit>;
  private readonly keep: (answered: KnownCircuit) => void;
  private readonly diagnosticians = new Map<string, { readonly asked: object; readonly of: Diagnostician }>();

  private readonly pace: Pace | null;

  /**
   * Without a pace it takes as long as it takes. `kept`: what was answered before, taken where the very same is asked
   * again; `keep` is told each final answer for which everything was tried.
   */
  constructor(
    pace: Pace | null = null,
    kept: readonly KnownCircuit[] = [],
    keep: (answered: KnownCircuit) => void = () => {},
  ) {
    this.pace = pace;
    this.kept = new Map(kept.map((one) => [one.breaker, one]));
    this.keep = keep;
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
      const known = this.known(fed.breaker, question);
      if (known === undefined) continue;
      answers.set(fed.breaker, known.answer);
      if (known.isSame) open.delete(fed);
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
        this.take(fed.breaker, question, answer);
        yield judged(false);
      }
      spent += work.done;
    }
    return judged(true);
  }

  /** What was answered of a circuit last, and whether that is an answer to this question. */
  private known(breaker: string, asked: CircuitQuestion): (KnownCircuit & { isSame: boolean }) | undefined {
    const question = JSON.stringify(asked);
    const last = this.circuits.get(breaker);
    if (last !== undefined) return { ...last, isSame: last.question === question };
    const kept = this.kept.get(breaker);
    return kept?.question === question ? { ...kept, isSame: true } : undefined;
  }

  private take(breaker: string, asked: CircuitQuestion, answer: CircuitAnswer): void {
    // An answer that was stopped on the way is not one to go by next time.
    if (!answer.circuit.isFinal) return;
    const answered = { breaker, question: JSON.stringify(asked), answer };
    this.circuits.set(breaker, answered);
    if (!answer.circuit.stoppedEarly) this.keep(answered);
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
