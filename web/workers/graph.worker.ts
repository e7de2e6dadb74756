import { Graph, layout } from '@dagrejs/dagre';
import { expose } from 'comlink';

/** A thing to be placed, with the pixels that it takes; one that hangs on nothing stands in a lane of its own. */
export interface ToPlace {
  readonly id: string;
  readonly width: number;
  readonly height: number;
  readonly isLoose: boolean;
}

export interface Placed {
  readonly id: string;
  /** Of its corner at the top left. */
  readonly x: number;
  readonly y: number;
}

/** How many stand beside each other in the lane of what hangs on nothing. */
const perRow = 12;
const gap = { along: 66, between: 14 } as const;

const placer = {
  /** Places what hangs together from left to right, and what hangs on nothing in rows beneath. */
  place(
    nodes: readonly ToPlace[],
    edges: readonly (readonly [from: string, to: string])[],
  ): readonly Placed[] {
    const graph = new Graph();
    graph.setGraph({ rankdir: 'LR', ranksep: gap.along, nodesep: gap.between });
    graph.setDefaultEdgeLabel(() => ({}));
    const tied = nodes.filter(({ isLoose }) => !isLoose);
    for (const { id, width, height } of tied) graph.setNode(id, { width, height });
    for (const [from, to] of edges) graph.setEdge(from, to);
    layout(graph);
    let lowest = Number.NEGATIVE_INFINITY;
    const placed = tied.map(({ id, width, height }): Placed => {
      const { x, y } = graph.node(id) as { readonly x: number; readonly y: number };
      lowest = Math.max(lowest, height / 2 - y);
      // Dagre puts what comes first lowest.
      return { id, x: x - width / 2, y: -y - height / 2 };
    });
    const loose = nodes
      .filter(({ isLoose }) => isLoose)
      .map(
        ({ id, width, height }, index): Placed => ({
          id,
          x: (index % perRow) * (width + 24),
          y: (tied.length === 0 ? 0 : lowest + 90) + Math.floor(index / perRow) * (height + gap.between),
        }),
      );
    return [...placed, ...loose];
  },
};

export type Placer = typeof placer;
expose(placer);
