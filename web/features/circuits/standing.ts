import type { GraphEdge, GraphNode } from './graph-model';

/** What is pointed out: receptacles that something explains, and where it sits; all else stands back. */
export interface PointedOut {
  readonly receptacles: ReadonlySet<string>;
  readonly suspects: ReadonlySet<string>;
}

/** Of what is pointed out, of the circuit that is taken, of neither: that stands back while one is taken, by style alone. */
export type Standing = 'out' | 'mine' | 'other';

export function standingOf(
  thing: GraphNode,
  breaker: string | null,
  pointedOut: PointedOut | null,
): Standing {
  if (thing.kind !== 'panel' && thing.breaker !== breaker) return 'other';
  if (pointedOut === null || thing.kind !== 'receptacle') return 'mine';
  return pointedOut.receptacles.has(thing.id) || thing.suspects.some(({ id }) => pointedOut.suspects.has(id))
    ? 'out'
    : 'mine';
}

export function cableStanding(
  cable: GraphEdge,
  breaker: string | null,
  pointedOut: PointedOut | null,
): Standing {
  if (cable.breaker !== breaker) return 'other';
  return pointedOut !== null && cable.suspects.some(({ id }) => pointedOut.suspects.has(id)) ? 'out' : 'mine';
}
