import { type UnqualifiedWork, unqualifiedWork } from '../engine/index.ts';
import type { ConditionId } from '../knowledge/index.ts';
import type { House, Receptacle } from '../log/index.ts';
import { factsOf } from './house-facts.ts';
import type { Verdict } from './lamp-verdict.ts';

/** What somebody made by joining the wrong wires. */
const miswirings: readonly ConditionId[] = [
  'reversed-polarity',
  'hot-ground-reversed',
  'reversed-bootleg-ground',
  'bootleg-ground',
  'neutral-ground-swapped',
];

/** Miswired receptacles that no one cause explains, where accident does not either. */
export interface Miswired extends UnqualifiedWork {
  readonly receptacles: readonly string[];
  readonly tested: number;
}

/** What is held at a receptacle, and of which cause. */
interface Read {
  readonly receptacle: Receptacle;
  readonly verdict: Verdict | null;
  readonly cause: { readonly breaker: string; readonly position: number } | null;
}

/** Boxes here and there that one hand miswired; what one cause on a circuit explains counts as one place. */
export function miswiredIn(house: House, receptacles: readonly Read[]): Miswired | null {
  const tested = receptacles.filter(({ verdict }) => verdict !== null);
  const wrong = tested.filter(({ verdict }) => miswirings.some((one) => verdict?.readsAs[0] === one));
  const places = new Set(
    wrong.map(({ receptacle, cause }) =>
      cause === null ? receptacle.id : `${cause.breaker}:${cause.position}`,
    ),
  );
  const found = unqualifiedWork(factsOf(house), tested.length, places.size);
  if (found === null) return null;
  return { ...found, tested: tested.length, receptacles: wrong.map(({ receptacle }) => receptacle.id) };
}
