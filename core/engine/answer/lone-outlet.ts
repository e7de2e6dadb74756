import type { Fault } from '../../faults/index.ts';
import {
  blank,
  blankAsAdvised,
  channelsOf,
  type InstrumentId,
  instrumentIds,
  instruments,
  isOfDevice,
  type Reading,
} from '../../instruments/index.ts';
import { lazily } from '../../lazily.ts';
import type { InstrumentFault } from '../model/instrument-fault.ts';
import type { HouseFacts } from '../model/priors.ts';
import { evenly } from '../model/scales.ts';
import { expectedOf, type ReadingComparison } from './evidence-table.ts';
import { outcomesOf } from './foretelling.ts';
import type { Row } from './lone-rows.ts';
import { LoneTable } from './lone-table.ts';
import { LoneWeighing, leastShare, type Weighted } from './lone-weighing.ts';
import { candidatesAt, mostExplanations } from './next-test.ts';
import { alike, type OutletOpinion, opinionOn, type Weighed } from './posterior.ts';
import type { Situation } from './safe-test.ts';
import { type NextTest, testChooser } from './worth.ts';

/** What may explain the readings at one receptacle of which nothing else is known. */
export interface LoneExplanation extends Weighed {
  /** Named at the receptacle itself, though each may as well be upstream of it. */
  readonly faults: readonly Fault[];
  /** True where a protection device or a breaker upstream has tripped. */
  readonly tripped: boolean;
  /** An instrument that does not work; none in most. */
  readonly instruments: readonly InstrumentFault[];
}

/** What may hold at it by its own readings, and why. */
export interface LoneOpinion extends OutletOpinion {
  readonly explanations: readonly LoneExplanation[];
}

export interface LoneDiagnosis extends LoneOpinion {
  readonly next: NextTest | null;
  /** Positions of readings that the leading explanation does not account for. */
  readonly misfits: readonly number[];
  /** Each reading beside what the leading explanation predicts. */
  readonly table: readonly ReadingComparison[];
}

const noFacts: HouseFacts = {};

/** What every receptacle is held against. */
const everyTable = lazily(() => new LoneTable());

/** Weighs all that may hold by what was read at one receptacle. */
function weighed(taken: readonly Reading[], house: HouseFacts) {
  const table = everyTable();
  const readings = taken.filter(({ instrument }) => !isOfDevice(instrument));
  const alone = new LoneWeighing(table, readings, house);
  return { table, readings, alone, ranked: ranking(table, alone.weighAll(), alone) };
}

/** What may hold at a receptacle by its own readings: neither its next test nor what each reading is held against. */
export function opinionAlone(
  id: string,
  taken: readonly Reading[],
  house: HouseFacts = noFacts,
): LoneOpinion {
  const { explanations } = weighed(taken, house).ranked;
  return { ...opinionOn(id, 0, explanations, taken.length === 0), explanations };
}

/**
 * Judges a receptacle by its own readings alone, in some milliseconds once the table is made. Readings name devices that
 * are not known here, so of a tester's button only its current counts, and a device's own button not.
 */
export function diagnoseAlone(
  id: string,
  taken: readonly Reading[],
  house: HouseFacts = noFacts,
  kit: readonly InstrumentId[] = instrumentIds,
): LoneDiagnosis {
  const { table, readings, alone, ranked } = weighed(taken, house);
  const leading = ranked.held[0] ?? { row: 0, fault: null, weight: 0, scales: evenly(1) };
  const misfits = alone.misfitsUnder(leading);
  const opinion = opinionOn(id, 0, ranked.explanations, taken.length === 0);
  return {
    ...opinion,
    explanations: ranked.explanations.map((one) => ({
      ...one,
      faults: one.faults.map((fault) => ({ ...fault, at: id })),
    })),
    next: nextFor(readings, table, ranked, opinion, kit),
    misfits,
    table: readings.map((reading, position) => ({
      position,
      reading,
      ...expectedOf(
        reading,
        {
          predicted: alone.seen[position]?.byRow[leading.row] ?? [],
          adrift: alone.seen[position]?.adriftByRow[leading.row] ?? [],
          first: 0,
        },
        [],
      ),
      fits: !misfits.includes(position),
      wrong: misfits.includes(position) ? alone.wrongUnder(leading, position) : null,
    })),
  };
}

const nowhere: ReadonlySet<string> = new Set();
const everywhere: ReadonlySet<string> = new Set(['*']);

interface Ranked {
  readonly explanations: readonly LoneExplanation[];
  /** What stands for each. */
  readonly held: readonly Weighted[];
}

/** Rows of one and the same cause and condition are added up; the likeliest stands for them. */
function ranking(table: LoneTable, held: readonly Weighted[], alone: LoneWeighing): Ranked {
  const most = held.reduce((top, { weight }) => Math.max(top, weight), Number.NEGATIVE_INFINITY);
  const byName = new Map<string, { one: Weighted; sum: number; best: number }>();
  let total = 0;
  for (const one of held) {
    const share = Math.exp(one.weight - most);
    if (share < leastShare) continue;
    total += share;
    const name = `${table.nameOf(one.row)}${one.fault === null ? '' : JSON.stringify(one.fault)}`;
    const before = byName.get(name);
    if (before === undefined) byName.set(name, { one, sum: share, best: share });
    else {
      before.sum += share;
      if (share > before.best) Object.assign(before, { one, best: share });
    }
  }
  const ordered = [...byName.values()].sort((a, b) => b.sum - a.sum);
  const leaders: Float64Array[] = [];
  const groupOf = (one: Weighted): number => {
    const predicted = alone.predictedUnder(one);
    const found = leaders.findIndex((leader) =>
      alone.kinds.every((kind, channel) => alike(kind, predicted[channel] ?? 0, leader[channel] ?? 0)),
    );
    if (found !== -1) return found + 1;
    leaders.push(predicted);
    return leaders.length;
  };
  return {
    held: ordered.map(({ one }) => one),
    explanations: ordered.map(({ one, sum }) => {
      const { faults, tripped, condition, causeCount, contacts } = table.rows[one.row] as Row;
      return {
        faults,
        tripped,
        instruments: one.fault === null ? [] : [one.fault],
        probability: sum / total,
        group: groupOf(one),
        causeCount: causeCount + (one.fault === null ? 0 : 1),
        conditions: [condition],
        misreadAt: one.fault === null && alone.misfitsUnder(one).length === 0 ? nowhere : everywhere,
        contacts: [contacts],
      };
    }),
  };
}

function nextFor(
  readings: readonly Reading[],
  table: LoneTable,
  { explanations, held }: Ranked,
  opinion: OutletOpinion,
  kit: readonly InstrumentId[],
): NextTest | null {
  const doubted = new Set(explanations[0]?.instruments.map(({ instrument }) => instrument));
  const situation: Situation = { opinion, circuit: [opinion], readings, doubted };
  const candidates = candidatesAt(
    situation,
    0,
    new Set(kit),
    (instrument, state) =>
      !isOfDevice(instrument) && (state === undefined || instruments[instrument].withLoadsOff === 'always'),
  );
  const likeliest = held.slice(0, mostExplanations);
  const outcomes = candidates.map(({ tests }) => {
    const columns = tests.map((test) => table.columnFor(blank(test)));
    const kinds = tests.flatMap((test) => channelsOf(blankAsAdvised(test), []).map(([kind]) => kind));
    const predictions = likeliest.map(({ row }) =>
      Float64Array.from(columns.flatMap(({ byRow }) => [...(byRow[row] ?? [])])),
    );
    return outcomesOf(kinds, new Uint8Array(kinds.length), predictions, [[0, kinds.length]]);
  });
  return testChooser(explanations.slice(0, mostExplanations), candidates, outcomes, [opinion], 0)(0);
}
