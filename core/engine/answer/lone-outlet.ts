import type { Fault } from '../../faults/index.ts';
import {
  blank,
  type InstrumentId,
  instrumentIds,
  instruments,
  isOfDevice,
  type Reading,
  readingFrom,
} from '../../instruments/index.ts';
import { evidenceOf, type ReadingEvidence } from '../evidence/evidence.ts';
import { loneTolerance, readingDeficit } from '../evidence/likelihood.ts';
import type { HouseFacts } from '../model/priors.ts';
import type { ReadingComparison } from './evidence-table.ts';
import { here, network, type Row } from './lone-rows.ts';
import { type Column, LoneTable } from './lone-table.ts';
import {
  type Candidate,
  loadsOffSeconds,
  mostExplanations,
  type NextTest,
  outcomesOf,
  testChooser,
} from './next-test.ts';
import { alike, type OutletOpinion, opinionOn, type Weighed } from './posterior.ts';
import { isSafe } from './safe-test.ts';

/** What may explain the readings at one receptacle of which nothing else is known. */
export interface LoneExplanation extends Weighed {
  /** Named at the receptacle itself, though each may as well be upstream of it. */
  readonly faults: readonly Fault[];
  /** True where a protection device or a breaker upstream has tripped. */
  readonly tripped: boolean;
}

export interface LoneDiagnosis extends OutletOpinion {
  readonly explanations: readonly LoneExplanation[];
  readonly next: NextTest | null;
  /** Positions of readings that the leading explanation does not account for. */
  readonly misfits: readonly number[];
  /** Each reading beside what the leading explanation predicts. */
  readonly table: readonly ReadingComparison[];
}

function once<T>(make: () => T): () => T {
  let made: { readonly value: T } | null = null;
  return () => {
    made ??= { value: make() };
    return made.value;
  };
}

const noFacts: HouseFacts = {};

/** Made when it is first asked for: it serves every receptacle of every house. */
const sharedTable = /* @__PURE__ */ once(() => new LoneTable());

/** A misfit, in nats beyond what scatter explains. */
const misfitNats = 5;

/**
 * Judges one receptacle by its own readings alone, in well under a millisecond once the table is made. Readings name
 * devices that are not known here, so of a tester's button only its current counts, and a device's own button not.
 */
export function diagnoseLone(
  id: string,
  taken: readonly Reading[],
  house: HouseFacts = noFacts,
  kit: readonly InstrumentId[] = instrumentIds,
): LoneDiagnosis {
  const table = sharedTable();
  const { rows } = table;
  const readings = taken.filter(({ instrument }) => !isOfDevice(instrument));
  const seen = readings.map((reading) => table.columnFor(reading));
  const evidence = evidenceOf(network, {
    readings: readings.map((reading) => ({ ...reading, at: here, state: undefined }) as Reading),
    trippedBefore: null,
    afterRepair: [],
  });
  const compiled: ReadingEvidence[] = [];
  for (const { outlets } of evidence.states)
    for (const { readings: read } of outlets) for (const one of read) compiled[one.position] = one;
  const scratch = new Float64Array(evidence.observed.length);
  const deficitOf = (row: number, position: number): number => {
    const one = compiled[position];
    const column = seen[position]?.byRow[row];
    if (one === undefined || column === undefined) return 0;
    scratch.set(column, one.first);
    return readingDeficit(evidence, one, scratch, loneTolerance);
  };
  const weights = table.pricesIn(house).slice();
  for (let row = 0; row < rows.length; row += 1)
    for (let position = 0; position < readings.length; position += 1)
      weights[row] = (weights[row] as number) - deficitOf(row, position);
  const ranked = ranking(table, weights, seen);
  const leading = ranked.rows[0] ?? 0;
  const misfits = readings.flatMap((_, position) => {
    const volts = seen[position]?.kinds.filter((kind) => kind === 'volts').length ?? 0;
    return deficitOf(leading, position) - 0.5 * volts > misfitNats ? [position] : [];
  });
  const opinion = opinionOn(id, 0, ranked.explanations, misfits.length > 0);
  return {
    ...opinion,
    explanations: ranked.explanations.map((one) => ({
      ...one,
      faults: one.faults.map((fault) => ({ ...fault, at: id })),
    })),
    next: nextFor(id, readings, table, ranked, opinion, kit),
    misfits,
    table: readings.map((reading, position) => ({
      position,
      reading,
      predicted: readingFrom(reading, seen[position]?.byRow[leading] ?? [], 0, []),
      fits: !misfits.includes(position),
    })),
  };
}

interface Ranked {
  readonly explanations: readonly LoneExplanation[];
  /** Row of the table that stands for each. */
  readonly rows: readonly number[];
}

/** Rows of one and the same cause and condition are added up; the likeliest stands for them. */
function ranking(table: LoneTable, weights: Float64Array, seen: readonly Column[]): Ranked {
  const most = Math.max(...weights);
  const byName = new Map<string, { row: number; sum: number; best: number }>();
  let total = 0;
  weights.forEach((weight, row) => {
    const share = Math.exp(weight - most);
    if (share < 1e-7) return;
    total += share;
    const name = table.nameOf(row);
    const before = byName.get(name);
    if (before === undefined) byName.set(name, { row, sum: share, best: share });
    else {
      before.sum += share;
      if (share > before.best) Object.assign(before, { row, best: share });
    }
  });
  const ordered = [...byName.values()].sort((a, b) => b.sum - a.sum);
  const leaders: number[] = [];
  const groupOf = (row: number): number => {
    const found = leaders.findIndex((leader) =>
      seen.every(({ kinds, byRow }) =>
        kinds.every((kind, channel) =>
          alike(kind, byRow[row]?.[channel] ?? 0, byRow[leader]?.[channel] ?? 0),
        ),
      ),
    );
    if (found !== -1) return found + 1;
    leaders.push(row);
    return leaders.length;
  };
  return {
    rows: ordered.map(({ row }) => row),
    explanations: ordered.map(({ row, sum }) => {
      const { faults, tripped, condition, causeCount, contacts } = table.rows[row] as Row;
      return {
        faults,
        tripped,
        probability: sum / total,
        group: groupOf(row),
        causeCount,
        conditions: [condition],
        contacts: [contacts],
      };
    }),
  };
}

function nextFor(
  id: string,
  readings: readonly Reading[],
  table: LoneTable,
  { explanations, rows }: Ranked,
  opinion: OutletOpinion,
  kit: readonly InstrumentId[],
): NextTest | null {
  const candidates: Candidate[] = [];
  for (const instrument of kit) {
    if (isOfDevice(instrument)) continue;
    const { seconds, withLoadsOff } = instruments[instrument];
    for (const state of [undefined, { loadsOff: true }]) {
      if (state !== undefined && withLoadsOff !== 'always') continue;
      const isDone = readings.some(
        (one) => one.instrument === instrument && (one.state?.loadsOff === true) === (state !== undefined),
      );
      if (isDone || !isSafe(instrument, opinion, readings)) continue;
      const test = { at: id, instrument, ...(state === undefined ? {} : { state }) } as Candidate['test'];
      candidates.push({
        test,
        outlet: 0,
        cost: seconds + (state === undefined ? 0 : loadsOffSeconds),
      });
    }
  }
  const likeliest = rows.slice(0, mostExplanations);
  const outcomes = candidates.map(({ test }) => {
    const { kinds, byRow } = table.columnFor(blank(test));
    return outcomesOf(
      kinds,
      likeliest.map((row) => byRow[row] ?? new Float64Array(0)),
      0,
      kinds.length,
    );
  });
  return testChooser(explanations.slice(0, mostExplanations), candidates, outcomes)(id, 0);
}
