import type { Suspect } from '@fair-plug/core/assessment';
import { getSmoothStepPath, type Node, Position } from '@xyflow/react';
import { useMemo, useRef } from 'react';
import { useWords } from '@/components/region-words';
import type { DrawnCable } from './graph-cables';
import { type Graph, type GraphNode, sizes } from './graph-model';
import { protectionWords } from './protected-as';
import { cableStanding, type PointedOut, type Standing, standingOf } from './standing';
import { drawn, useSuspectWords } from './suspect-words';
import { usePlaced } from './use-placed';

export type ThingNode = Node<{ readonly thing: GraphNode; readonly standing: Standing }, 'thing'>;

/** What is made of a thing, the same object as long as it would be the same: what did not change is not drawn anew. */
class Kept<T> {
  private before = new Map<string, { readonly of: readonly unknown[]; readonly made: T }>();
  private now = new Map<string, { readonly of: readonly unknown[]; readonly made: T }>();

  of(id: string, of: readonly unknown[], make: () => T): T {
    const known = this.before.get(id);
    const one = known?.of.every((part, index) => part === of[index]) === true ? known : { of, made: make() };
    this.now.set(id, one);
    return one.made;
  }

  /** Everything was made that there is: what was not is forgotten. */
  turn(): void {
    this.before = this.now;
    this.now = new Map();
  }
}

export interface ToDraw {
  readonly graph: Graph;
  /** The circuit that is looked at; null: the house as a whole. */
  readonly breaker: string | null;
  readonly pointedOut: PointedOut | null;
}

/** What is drawn of a graph, as it stands and as it is pointed at. */
export function useThings({ graph, breaker, pointedOut }: ToDraw) {
  const words = useWords();
  const suspectWords = useSuspectWords();
  const places = usePlaced(graph);
  const kept = useRef({ nodes: new Kept<ThingNode>(), cables: new Kept<DrawnCable>() });
  const nodes = useMemo(() => {
    const all = graph.nodes.flatMap((thing): ThingNode[] => {
      const place = places?.get(thing.id);
      if (place === undefined) return [];
      const standing = standingOf(thing, breaker, pointedOut);
      return [
        kept.current.nodes.of(thing.id, [thing, place, standing, words], () => ({
          id: thing.id,
          type: 'thing',
          position: { x: place.x, y: place.y },
          // Each transform would be a layer to be sorted for every frame.
          style: { transform: 'none', left: place.x, top: place.y },
          ...sizes[thing.kind],
          measured: sizes[thing.kind],
          data: { thing, standing },
          draggable: false,
          connectable: false,
          focusable: thing.kind !== 'panel',
          ariaLabel: thingWords(thing, words.lamps, suspectWords),
        })),
      ];
    });
    kept.current.nodes.turn();
    return all;
  }, [graph, places, breaker, pointedOut, words, suspectWords]);
  const cables = useMemo(() => {
    const kinds = new Map(graph.nodes.map(({ id, kind }) => [id, kind]));
    const all = graph.edges.flatMap((cable): DrawnCable[] => {
      const [from, to] = [places?.get(cable.from), places?.get(cable.to)];
      if (from === undefined || to === undefined) return [];
      const standing = cableStanding(cable, breaker, pointedOut);
      return [
        kept.current.cables.of(cable.id, [cable, from, to, standing], () => {
          const [left, right] = [
            sizes[kinds.get(cable.from) ?? 'panel'],
            sizes[kinds.get(cable.to) ?? 'panel'],
          ];
          const [path, labelX, labelY] = getSmoothStepPath({
            sourceX: from.x + left.width,
            sourceY: from.y + left.height / 2,
            targetX: to.x,
            targetY: to.y + right.height / 2,
            sourcePosition: Position.Right,
            targetPosition: Position.Left,
            borderRadius: 6,
          });
          return { cable, standing, path, labelX, labelY };
        }),
      ];
    });
    kept.current.cables.turn();
    return all;
  }, [graph, places, breaker, pointedOut]);
  return { nodes, cables, places };
}

/** What a thing is called for whoever goes by ear: its name, what was read, what is held of it. */
function thingWords(
  thing: GraphNode,
  lampWords: (lamps: NonNullable<GraphNode['lamps']>) => string,
  suspectWords: (suspects: readonly Suspect[]) => string,
): string {
  const suspects = drawn(thing.suspects);
  return [
    thing.kind === 'breaker' ? `Breaker ${thing.name}` : thing.name,
    thing.detail,
    thing.kind !== 'receptacle' ? '' : thing.lamps === null ? 'not read' : lampWords(thing.lamps),
    suspectWords(suspects),
    protectionWords(thing),
    thing.isEnd ? 'end of the run' : '',
  ]
    .filter((part) => part !== '')
    .join(', ');
}
