'use client';

import type { Suspect } from '@fair-plug/core/assessment';
import {
  BaseEdge,
  Controls,
  type Edge,
  EdgeLabelRenderer,
  type EdgeProps,
  getSmoothStepPath,
  Handle,
  type Node,
  type NodeHandle,
  type NodeProps,
  Position,
  ReactFlow,
  ReactFlowProvider,
  useReactFlow,
} from '@xyflow/react';
import '@xyflow/react/dist/base.css';
import { memo, useCallback, useEffect, useMemo } from 'react';
import { useWords } from '@/components/region-words';
import { Triangle } from '@/components/triangle';
import classes from './circuit-graph.module.css';
import { type Graph, type GraphEdge, type GraphNode, sizes } from './graph-model';
import { type Places, usePlaced } from './use-placed';

/** What is pointed out: receptacles that something explains, and where it sits; all else stands back. */
export interface PointedOut {
  readonly receptacles: ReadonlySet<string>;
  readonly suspects: ReadonlySet<string>;
}

export interface CircuitGraphProps {
  readonly graph: Graph;
  /** The circuit that is looked at; null: the house as a whole. */
  readonly breaker: string | null;
  readonly pointedOut: PointedOut | null;
  readonly onTakeReceptacle: (id: string, breaker: string | null) => void;
  readonly onTakeBreaker: (breaker: string) => void;
}

type Standing = 'out' | 'back' | 'plain';
type ThingNode = Node<{ readonly thing: GraphNode; readonly standing: Standing }, 'thing'>;
type CableEdge = Edge<{ readonly cable: GraphEdge; readonly standing: Standing }, 'cable'>;

/** Widths in pixels of a fault that is certain, and of one that hardly is. */
const band = { most: 22, least: 5 } as const;
const bandWidth = (suspects: readonly Suspect[]): number =>
  band.least +
  (band.most - band.least) *
    Math.min(
      1,
      suspects.reduce((sum, one) => sum + one.probability, 0),
    );
/** What is less probable is not drawn. */
const worthDrawing = 0.03;
const drawn = (suspects: readonly Suspect[]): readonly Suspect[] =>
  suspects.filter(({ probability }) => probability >= worthDrawing);

/** What is held of a place, the most probable first: "open neutral 84 %". */
function useSuspectWords() {
  const words = useWords();
  return useCallback(
    (suspects: readonly Suspect[]): string =>
      suspects
        .map(({ fault, probability }) => `${words.cause([fault])} ${words.share(probability)}`)
        .join(', '),
    [words],
  );
}

const ThingView = memo(function ThingView({ data: { thing, standing } }: NodeProps<ThingNode>) {
  const suspectWords = useSuspectWords();
  const suspects = drawn(thing.suspects);
  return (
    <div
      className={classes.thing}
      data-kind={thing.kind}
      data-standing={standing}
      title={suspects.length === 0 ? undefined : suspectWords(suspects)}
    >
      {thing.kind !== 'panel' && <Handle type="target" position={Position.Left} className={classes.handle} />}
      {thing.kind === 'receptacle' ? (
        <>
          <span className={classes.mark}>
            {suspects.length > 0 && (
              <span className={classes.ring} style={{ borderWidth: bandWidth(suspects) / 2 }} />
            )}
            <Triangle lamps={thing.lamps} corners={thing.corners} size={38} label="" />
          </span>
          <span className={classes.name}>{thing.name}</span>
          {(thing.protection !== null || thing.isEnd) && (
            <span className={classes.note}>
              {[
                thing.protection === 'device' ? 'device' : thing.protection === 'covered' ? 'covered' : '',
                thing.isEnd ? 'end' : '',
              ]
                .filter((part) => part !== '')
                .join(' · ')}
            </span>
          )}
        </>
      ) : (
        <>
          <span className={classes.number}>{thing.name}</span>
          {thing.detail !== '' && <span className={classes.feeds}>{thing.detail}</span>}
        </>
      )}
      {thing.kind !== 'receptacle' || thing.breaker !== null ? (
        <Handle type="source" position={Position.Right} className={classes.handle} />
      ) : null}
    </div>
  );
});

const CableView = memo(function CableView({
  sourceX,
  sourceY,
  targetX,
  targetY,
  data,
}: EdgeProps<CableEdge>) {
  const suspectWords = useSuspectWords();
  const [path, labelX, labelY] = getSmoothStepPath({
    ...{ sourceX, sourceY, targetX, targetY },
    sourcePosition: Position.Right,
    targetPosition: Position.Left,
    borderRadius: 6,
  });
  if (data === undefined) return null;
  const { cable, standing } = data;
  const suspects = drawn(cable.suspects);
  return (
    <>
      {suspects.length > 0 && (
        <path
          className={classes.band}
          data-standing={standing}
          d={path}
          style={{ strokeWidth: bandWidth(suspects) }}
        />
      )}
      <BaseEdge path={path} className={classes.cable ?? ''} data-standing={standing} />
      {(cable.words !== '' || suspects.length > 0) && standing !== 'back' && (
        <EdgeLabelRenderer>
          <div
            className={classes.label}
            style={{ transform: `translate(-50%, -50%) translate(${labelX}px, ${labelY}px)` }}
          >
            {suspects.length > 0 && <strong>{suspectWords(suspects.slice(0, 1))}</strong>}
            {cable.words !== '' && <span>{cable.words}</span>}
          </div>
        </EdgeLabelRenderer>
      )}
    </>
  );
});

const nodeTypes = { thing: ThingView };
const edgeTypes = { cable: CableView };

/** A house as a graph: panel, breakers, receptacles; what is believed to be wrong in its place. */
export function CircuitGraph(props: CircuitGraphProps) {
  return (
    <ReactFlowProvider>
      <Drawing {...props} />
    </ReactFlowProvider>
  );
}

/** Where cables begin and end at a thing: its two sides. */
function handlesOf({ kind }: GraphNode): NodeHandle[] {
  const { width, height } = sizes[kind];
  const end = { y: height / 2, width: 1, height: 1 } as const;
  return [
    { ...end, type: 'target', position: Position.Left, x: 0 },
    { ...end, type: 'source', position: Position.Right, x: width },
  ];
}

/** What is drawn of a graph, as it stands and as it is pointed at. */
function useThings({
  graph,
  breaker,
  pointedOut,
}: Pick<CircuitGraphProps, 'graph' | 'breaker' | 'pointedOut'>) {
  const words = useWords();
  const suspectWords = useSuspectWords();
  const places = usePlaced(graph);
  const nodes = useMemo(
    () =>
      graph.nodes.flatMap((thing): ThingNode[] => {
        const place = places?.get(thing.id);
        if (place === undefined) return [];
        const suspects = drawn(thing.suspects);
        const name = [
          thing.kind === 'breaker' ? `Breaker ${thing.name}` : thing.name,
          thing.detail,
          thing.kind === 'receptacle' && (thing.lamps === null ? 'not read' : words.lamps(thing.lamps)),
          suspects.length > 0 && suspectWords(suspects),
        ];
        return [
          {
            id: thing.id,
            type: 'thing',
            position: { x: place.x, y: place.y },
            ...sizes[thing.kind],
            measured: sizes[thing.kind],
            handles: handlesOf(thing),
            data: { thing, standing: standingOf(thing, breaker, pointedOut) },
            draggable: false,
            connectable: false,
            focusable: thing.kind !== 'panel',
            ariaLabel: name.filter((part) => part !== false && part !== '').join(', '),
          },
        ];
      }),
    [graph, places, breaker, pointedOut, words, suspectWords],
  );
  const edges = useMemo(
    () =>
      graph.edges.map(
        (cable): CableEdge => ({
          id: cable.id,
          type: 'cable',
          source: cable.from,
          target: cable.to,
          focusable: false,
          selectable: false,
          data: { cable, standing: cableStanding(cable, breaker, pointedOut) },
        }),
      ),
    [graph, breaker, pointedOut],
  );
  return { nodes, edges, places };
}

function Drawing({ graph, breaker, pointedOut, onTakeReceptacle, onTakeBreaker }: CircuitGraphProps) {
  const { nodes, edges, places } = useThings({ graph, breaker, pointedOut });
  const { fitBounds } = useReactFlow();
  const bounds = useMemo(
    () => (places === null ? null : boundsOf(graph, places, breaker)),
    [graph, places, breaker],
  );
  const key = JSON.stringify(bounds);
  // biome-ignore lint/correctness/useExhaustiveDependencies: by what the bounds are, not by which object says so
  useEffect(() => {
    if (bounds !== null) void fitBounds(bounds, { padding: 0.08, duration: 0 });
  }, [key, fitBounds]);
  const take = (id: string): void => {
    const thing = graph.nodes.find((one) => one.id === id);
    if (thing?.kind === 'receptacle') onTakeReceptacle(thing.id, thing.breaker);
    else if (thing?.kind === 'breaker' && thing.breaker !== null) onTakeBreaker(thing.breaker);
  };
  return (
    <section className={classes.graph} aria-label="The house from its panel">
      {places === null && <div className={classes.waiting} role="status" aria-label="Being laid out" />}
      <ReactFlow
        nodes={nodes}
        edges={edges}
        nodeTypes={nodeTypes}
        edgeTypes={edgeTypes}
        onNodesChange={(changes) => {
          // A press of the pointer and one of the keyboard come to the same.
          for (const one of changes) if (one.type === 'select' && one.selected) take(one.id);
        }}
        nodesDraggable={false}
        nodesConnectable={false}
        elementsSelectable
        onlyRenderVisibleElements
        minZoom={0.1}
        maxZoom={2}
        proOptions={{ hideAttribution: true }}
        ariaLabelConfig={{ 'node.a11yDescription.default': 'Enter shows its cause.' }}
      >
        <Controls showInteractive={false} />
      </ReactFlow>
    </section>
  );
}

/** What a circuit takes up, or the whole house. */
function boundsOf({ nodes }: Graph, places: Places, breaker: string | null) {
  const all = nodes.flatMap(({ id, kind, breaker: on }) => {
    const place = places.get(id);
    return place === undefined || (breaker !== null && on !== breaker) ? [] : [{ ...place, ...sizes[kind] }];
  });
  const [left, top] = [Math.min(...all.map(({ x }) => x)), Math.min(...all.map(({ y }) => y))];
  return {
    x: left,
    y: top,
    width: Math.max(...all.map(({ x, width }) => x + width)) - left,
    height: Math.max(...all.map(({ y, height }) => y + height)) - top,
  };
}

function standingOf(thing: GraphNode, breaker: string | null, pointedOut: PointedOut | null): Standing {
  if (breaker !== null && thing.breaker !== breaker && thing.kind !== 'panel') return 'back';
  if (pointedOut === null || thing.kind !== 'receptacle') return 'plain';
  return pointedOut.receptacles.has(thing.id) || thing.suspects.some(({ id }) => pointedOut.suspects.has(id))
    ? 'out'
    : 'plain';
}

function cableStanding(cable: GraphEdge, breaker: string | null, pointedOut: PointedOut | null): Standing {
  if (breaker !== null && cable.breaker !== breaker) return 'back';
  return pointedOut !== null && cable.suspects.some(({ id }) => pointedOut.suspects.has(id))
    ? 'out'
    : 'plain';
}
