import type { InstrumentId, Test, TestState } from '../../instruments/index.ts';
import { type ConditionId, conditionIds, conditions } from '../../knowledge/index.ts';
import type { Outcomes } from './foretelling.ts';
import { type OutletOpinion, ruledOutShare, type Weighed, type WeighedExplanation } from './posterior.ts';

/** What a test is worth doing for. */
export type Telling =
  /** Where the cause sits. */
  | { readonly kind: 'place' }
  /** What holds at an outlet from what else may hold there, and from how much besides. */
  | {
      readonly kind: 'condition';
      readonly at: string;
      readonly from: ConditionId;
      readonly to: ConditionId;
      readonly more: number;
    };

/** A test worth doing, and why. */
export interface NextTest {
  readonly at: string;
  readonly instrument: InstrumentId;
  /** Where the test is to be made in another state of the circuit than it stands in. */
  readonly state?: TestState;
  readonly tells: Telling;
}

/** One test, or several at an outlet of which each makes the next one safe. */
export interface Candidate {
  readonly tests: readonly Test[];
  readonly outlet: number;
  readonly cost: number;
}

/** Going to another receptacle costs more than staying at this one. */
const walkSeconds = 20;
/** What it costs to call something by the wrong name: to overlook a danger most of all. */
const overlooked = 10;
const misnamedDanger = 3;
const misnamed = 1;
/** What it costs not to know which box to open first. */
const unplaced = 0.05;
/** Taking up an instrument, holding it in place and entering what it shows. */
const handlingSeconds = 45;
/**
 * A test is worth making from so much less to be expected, and from so much a second for each outlet of the circuit: a
 * long run is not proved outlet by outlet. Less will do at a receptacle that is asked about.
 */
const leastWorthHere = 0.01;
const leastWorth = 0.09;
const leastWorthPerSecond = 2.9e-4;

/** What it costs to call an outlet `said` where `is` holds. */
function costOf(said: ConditionId, is: ConditionId): number {
  if (said === is) return 0;
  if (!conditions[is].dangerous) return misnamed;
  return conditions[said].dangerous ? misnamedDanger : overlooked;
}

/** The least cost that is to be expected of calling an outlet by one name. */
function leastCost(shares: Float64Array, here: readonly ConditionId[]): number {
  let least = Number.POSITIVE_INFINITY;
  for (const said of here) {
    let sum = 0;
    here.forEach((is, index) => {
      const share = shares[index] as number;
      if (share > 0) sum += share * costOf(said, is);
    });
    if (sum < least) least = sum;
  }
  return here.length === 0 ? 0 : least;
}

/** What is held at one outlet: conditions, and which of them each explanation comes to. */
interface Held {
  readonly conditions: readonly ConditionId[];
  readonly of: Int32Array;
  readonly cost: number;
}

function heldAt(explanations: readonly Weighed[], outlet: number): Held {
  const here: ConditionId[] = [];
  const of = Int32Array.from(explanations, ({ conditions: all }) => {
    const condition = all[outlet] ?? 'correct';
    if (!here.includes(condition)) here.push(condition);
    return here.indexOf(condition);
  });
  const shares = new Float64Array(here.length);
  explanations.forEach(({ probability }, index) => {
    const which = of[index] as number;
    shares[which] = (shares[which] as number) + probability;
  });
  return { conditions: here, of, cost: leastCost(shares, here) };
}

/** The box that is opened first under an explanation, as far as it tells. */
const placeOf = (one: Weighed & Partial<WeighedExplanation>): string =>
  one.hypothesis?.causes.map(({ site }) => JSON.stringify(site)).join() ?? '';

/**
 * Chooses the best test for an outlet (null: for the circuit); `outcomes` has a row for each candidate, in the order of
 * the explanations. `standing`: the outlet that was tested last; null where nobody stands at one.
 */
export function testChooser(
  explanations: readonly Weighed[],
  candidates: readonly Candidate[],
  outcomes: Outcomes,
  outlets: readonly OutletOpinion[],
  standing: number | null,
): (outlet: number | null) => NextTest | null {
  const held = outlets.map((_, outlet) => heldAt(explanations, outlet));
  const places = explanations.map(placeOf);
  const gains = outcomes.map((outcome) => gainsOf(explanations, held, places, outcome));
  return (outlet) => {
    let best = -1;
    let bestWorth = 0;
    candidates.forEach((candidate, which) => {
      const { byOutlet, place } = gains[which] as Gains;
      const gain =
        outlet === null
          ? byOutlet.reduce((sum, one) => sum + one, 0) + place
          : (byOutlet[outlet] as number) + 0.1 * place;
      const cost =
        candidate.cost +
        (candidate.outlet === (outlet ?? standing) ? 0 : walkSeconds) +
        handlingSeconds * candidate.tests.length;
      const isWorth =
        outlet === null
          ? gain >= leastWorth && gain / cost >= leastWorthPerSecond * outlets.length
          : gain >= leastWorthHere;
      if (!isWorth || gain / cost <= bestWorth) return;
      best = which;
      bestWorth = gain / cost;
    });
    const test = candidates[best]?.tests[0];
    const outcome = outcomes[best];
    if (test === undefined || outcome === undefined) return null;
    const about = outlet ?? mostGained((gains[best] as Gains).byOutlet, candidates[best]?.outlet ?? 0);
    const opinion = outlets[about];
    return {
      at: test.at,
      instrument: test.instrument,
      ...(test.state === undefined ? {} : { state: test.state }),
      tells: opinion === undefined ? { kind: 'place' } : toldBy(opinion, about, explanations, outcome),
    };
  };
}

const mostGained = (byOutlet: readonly number[], otherwise: number): number => {
  let most = otherwise;
  byOutlet.forEach((gain, outlet) => {
    if (gain > (byOutlet[most] ?? 0)) most = outlet;
  });
  return most;
};

interface Gains {
  readonly byOutlet: readonly number[];
  readonly place: number;
}

/** How much less there is to be wrong about, outlet by outlet, once it is known which outcome a test has. */
function gainsOf(
  explanations: readonly Weighed[],
  held: readonly Held[],
  places: readonly string[],
  outcome: Int32Array,
): Gains {
  const groups = new Map<number, number[]>();
  outcome.forEach((which, index) => {
    const group = groups.get(which);
    if (group === undefined) groups.set(which, [index]);
    else group.push(index);
  });
  if (groups.size < 2) return { byOutlet: held.map(() => 0), place: 0 };
  const byOutlet = held.map(({ conditions: here, of, cost }) => {
    if (here.length < 2) return 0;
    let after = 0;
    for (const group of groups.values()) {
      const shares = new Float64Array(here.length);
      for (const index of group) {
        const which = of[index] as number;
        shares[which] = (shares[which] as number) + (explanations[index]?.probability ?? 0);
      }
      after += leastCost(shares, here);
    }
    return Math.max(0, cost - after);
  });
  const likeliest = (indices: Iterable<number>): number => {
    const sums = new Map<string, number>();
    let most = 0;
    for (const index of indices) {
      const place = places[index] ?? '';
      const sum = (sums.get(place) ?? 0) + (explanations[index]?.probability ?? 0);
      sums.set(place, sum);
      most = Math.max(most, sum);
    }
    return most;
  };
  let known = 0;
  for (const group of groups.values()) known += likeliest(group);
  return { byOutlet, place: unplaced * Math.max(0, known - likeliest(explanations.keys())) };
}

/** What a test tells at an outlet: what is held there from the most dangerous of what is not ruled out and it shows otherwise. */
function toldBy(
  { id: at, condition: held, notRuledOut, ifMisread }: OutletOpinion,
  outlet: number,
  explanations: readonly Weighed[],
  outcomes: Int32Array,
): Telling {
  const shares = new Map<ConditionId, number>();
  for (const { conditions: here, probability } of explanations) {
    const condition = here[outlet];
    if (condition !== undefined) shares.set(condition, (shares.get(condition) ?? 0) + probability);
  }
  const [likeliest] = [...shares].sort(([, a], [, b]) => b - a).map(([condition]) => condition);
  const from = held === 'undetermined' ? likeliest : held;
  const first = outcomes[explanations.findIndex(({ conditions: here }) => here[outlet] === from)];
  const others = new Set<ConditionId>();
  explanations.forEach(({ conditions: here }, index) => {
    const other = here[outlet];
    if (other !== undefined && other !== from && outcomes[index] !== first) others.add(other);
  });
  const isOpen = (id: ConditionId): boolean =>
    conditions[id].dangerous
      ? notRuledOut.includes(id) || ifMisread.includes(id)
      : (shares.get(id) ?? 0) >= ruledOutShare;
  const [to, ...more] = conditionIds.filter((id) => others.has(id) && isOpen(id));
  return from === undefined || to === undefined
    ? { kind: 'place' }
    : { kind: 'condition', at, from, to, more: more.length };
}
