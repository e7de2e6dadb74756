import type { InstrumentId, Reading } from '../circuit/index.ts';
import { type ConditionId, conditionIds, regions } from '../conditions/index.ts';
import {
  blindSpots,
  Diagnostician,
  diagnoseLone,
  type HouseFacts,
  type LoneDiagnosis,
  likelyGroups,
  lostServiceNeutral,
  type NextTest,
} from '../diagnosis/index.ts';
import { type House, type Receptacle, receptaclesOf } from '../inspection/index.ts';
import { isMisread, mostExplanations, type Remembered, remembered, worthALine } from './circuit-judgement.ts';
import { circuitsOf, type FedTogether, guessedCircuit, readingsOf, VoltScale } from './circuits.ts';
import type { HouseJudgement, JudgedReceptacle } from './judged.ts';

/** Stands for whichever receptacle was asked about. */
const anywhere = 'here';
const mostLoneAnswers = 2000;

/** What a circuit is remembered by; no receptacle's id has a colon. */
const onBreaker = ({ breaker }: FedTogether): string => `breaker:${breaker}`;

/** A test that was found for a receptacle standing for any, at one of them. */
const placed = ({ tells, ...test }: NextTest, at: string): NextTest => ({
  ...test,
  at,
  tells: tells.kind === 'condition' ? { ...tells, at } : tells,
});

const factsOf = ({ yearBuilt, groundedWiring, alterations }: House): HouseFacts => ({
  ...(yearBuilt === null ? {} : { yearBuilt }),
  groundedWiring,
  ...(alterations.length === 0 ? {} : { alteredIn: alterations.map(({ year }) => year) }),
});

/** Judges a house again and again as it is walked: what did not change since is not judged anew. */
export class HouseJudge {
  private memory = new Map<string, Remembered>();
  private readonly loneAnswers = new Map<string, LoneDiagnosis>();
  private readonly blindness = new Map<string, readonly ConditionId[]>();
  private readonly diagnosticians = new Map<string, { readonly key: string; readonly of: Diagnostician }>();

  /**
   * Answers in steps, as the engine does: null after each slice of work, a judgement when it has become better, and
   * in the end the final one.
   */
  *judging(house: House, kit: readonly InstrumentId[]): Generator<HouseJudgement | null, HouseJudgement> {
    const facts = factsOf(house);
    const { nominalVolts } = regions[house.region];
    const circuits = circuitsOf(house).filter(
      ({ receptacles }) => receptacles.length > 1 && receptacles.some((one) => readingsOf(one).length > 0),
    );
    const onCircuit = new Set(circuits.flatMap(({ receptacles }) => receptacles.map(({ id }) => id)));
    const next = new Map<string, Remembered>();
    for (const receptacle of receptaclesOf(house)) {
      if (onCircuit.has(receptacle.id) || readingsOf(receptacle).length === 0) continue;
      next.set(receptacle.id, this.alone(receptacle, facts, kit, nominalVolts));
      yield null;
    }
    for (const circuit of circuits) {
      const name = onBreaker(circuit);
      const known = this.memory.get(name);
      if (known !== undefined) next.set(name, known);
    }
    yield this.gathered(house, next, circuits, circuits.length === 0);
    for (const circuit of circuits)
      for (const step of this.onCircuit(circuit, facts, kit, nominalVolts)) {
        if (step === null) {
          yield null;
          continue;
        }
        next.set(onBreaker(circuit), step);
        yield this.gathered(house, next, circuits, false);
      }
    this.memory = next;
    return this.gathered(house, next, circuits, true);
  }

  private alone(
    receptacle: Receptacle,
    facts: HouseFacts,
    kit: readonly InstrumentId[],
    nominalVolts: number,
  ): Remembered {
    const readings = readingsOf(receptacle);
    const key = JSON.stringify([readings, facts, kit, nominalVolts]);
    const known = this.memory.get(receptacle.id);
    if (known?.key === key) return known;
    const judged = this.lone(receptacle.id, readings, facts, kit, nominalVolts);
    const [hot, neutral, ground] = judged.contacts;
    const one: JudgedReceptacle = {
      ...judged,
      contacts: { hot, neutral, ground },
      explanations: judged.explanations
        .filter(({ probability }, index) => index === 0 || probability >= worthALine)
        .slice(0, mostExplanations)
        .map(({ faults, tripped, probability, conditions: [condition = 'correct'] }, place) => ({
          faults,
          isTripped: tripped,
          isMisread: !tripped && isMisread(faults, place),
          probability,
          condition,
        })),
      cause: null,
      isFinal: true,
    };
    return { key, judged: [one], circuit: null };
  }

  /** Most receptacles of a house that stand alone show the same: what was worked out for one holds for all. */
  private lone(
    id: string,
    readings: readonly Reading[],
    facts: HouseFacts,
    kit: readonly InstrumentId[],
    nominalVolts: number,
  ): LoneDiagnosis {
    const unplaced = readings.map((reading) => ({ ...reading, at: anywhere }));
    const key = JSON.stringify([unplaced, facts, kit, nominalVolts]);
    let known = this.loneAnswers.get(key);
    if (known === undefined) {
      const scale = new VoltScale(nominalVolts);
      const judged = diagnoseLone(anywhere, scale.toEngine(unplaced), facts, kit);
      known = { ...judged, table: scale.toShown(judged.table) };
      if (this.loneAnswers.size > mostLoneAnswers) this.loneAnswers.clear();
      this.loneAnswers.set(key, known);
    }
    return {
      ...known,
      id,
      next: known.next === null ? null : placed(known.next, id),
      table: known.table.map(({ reading, predicted, ...rest }) => ({
        ...rest,
        reading: { ...reading, at: id },
        predicted: { ...predicted, at: id },
      })),
    };
  }

  private *onCircuit(
    fed: FedTogether,
    facts: HouseFacts,
    kit: readonly InstrumentId[],
    nominalVolts: number,
  ): Generator<Remembered | null> {
    const readings = fed.receptacles.flatMap(readingsOf);
    const wiring = JSON.stringify([fed.receptacles.map(({ id }) => id), facts]);
    const key = JSON.stringify([readings, wiring, kit, nominalVolts]);
    const name = onBreaker(fed);
    if (this.memory.get(name)?.key === key) return;
    const held = this.diagnosticians.get(name);
    const diagnostician =
      held?.key === wiring
        ? held.of
        : new Diagnostician({
            circuit: guessedCircuit(fed, facts.groundedWiring ?? null),
            house: facts,
            unknownLoads: true,
            unknownDevices: new Set(),
            guessed: true,
          });
    this.diagnosticians.set(name, { key: wiring, of: diagnostician });
    const scale = new VoltScale(nominalVolts);
    const run = diagnostician.diagnosing({ readings: scale.toEngine(readings), trippedBefore: null, kit });
    for (;;) {
      const step = run.next();
      yield step.value === null ? null : remembered(key, fed, step.value, scale, nominalVolts);
      if (step.done) return;
    }
  }

  private blindTo(used: readonly InstrumentId[]): readonly ConditionId[] {
    const key = [...new Set(used)].sort().join();
    const known = this.blindness.get(key) ?? blindSpots(used);
    this.blindness.set(key, known);
    return known;
  }

  /** What may hide behind the receptacles that read correct, each with no more than was used there. */
  private notSeen(house: House, judged: ReadonlyMap<string, JudgedReceptacle>): readonly ConditionId[] {
    const hidden = new Set<ConditionId>();
    for (const receptacle of receptaclesOf(house)) {
      const one = judged.get(receptacle.id);
      const used = readingsOf(receptacle).map(({ instrument }) => instrument);
      if (one?.condition !== 'correct' || used.length === 0) continue;
      for (const id of [...one.notRuledOut, ...this.blindTo(used)]) hidden.add(id);
    }
    return conditionIds.filter((id) => hidden.has(id));
  }

  private gathered(
    house: House,
    parts: ReadonlyMap<string, Remembered>,
    circuits: readonly FedTogether[],
    isFinal: boolean,
  ): HouseJudgement {
    const all = [...parts.values()].flatMap(({ judged }) => judged);
    const receptacles = new Map(all.map((one) => [one.id, one]));
    const breakerOf = new Map(receptaclesOf(house).map(({ id, breaker }) => [id, breaker]));
    return {
      receptacles,
      circuits: circuits.flatMap((circuit) => parts.get(onBreaker(circuit))?.circuit ?? []),
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
      notSeen: this.notSeen(house, receptacles),
      isFinal,
    };
  }
}
