'use client';

import { Controls, type NodeProps, ReactFlow, ReactFlowProvider, useReactFlow } from '@xyflow/react';
import '@xyflow/react/dist/base.css';
import { memo, useEffect, useMemo } from 'react';
import { Triangle } from '@/components/triangle';
import classes from './circuit-graph.module.css';
import { Cables } from './graph-cables';
import { type Graph, sizes } from './graph-model';
import { protectionWords } from './protected-as';
import { bandWidth, drawn, useSuspectWords } from './suspect-words';
import type { Places } from './use-placed';
import { type ThingNode, type ToDraw, useThings } from './use-things';

export interface CircuitGraphProps extends ToDraw {
  readonly onTakeReceptacle: (id: string, breaker: string | null) => void;
  readonly onTakeBreaker: (breaker: string) => void;
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
              {[protectionWords(thing), thing.isEnd ? 'end' : ''].filter((part) => part !== '').join(' · ')}
            </span>
          )}
        </>
      ) : (
        <>
          <span className={classes.number}>{thing.name}</span>
          {thing.detail !== '' && <span className={classes.feeds}>{thing.detail}</span>}
        </>
      )}
    </div>
  );
});

const nodeTypes = { thing: ThingView };

/** A house as a graph: panel, breakers, receptacles; what is believed to be wrong in its place. */
export function CircuitGraph(props: CircuitGraphProps) {
  return (
    <ReactFlowProvider>
      <Drawing {...props} />
    </ReactFlowProvider>
  );
}

function Drawing({ graph, breaker, pointedOut, onTakeReceptacle, onTakeBreaker }: CircuitGraphProps) {
  const { nodes, cables, places } = useThings({ graph, breaker, pointedOut });
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
    <section className={classes.graph} data-taken={breaker !== null} aria-label="The house from its panel">
      {places === null && <div className={classes.waiting} role="status" aria-label="Being laid out" />}
      <ReactFlow
        nodes={nodes}
        nodeTypes={nodeTypes}
        onNodesChange={(changes) => {
          // A press of the pointer and one of the keyboard come to the same.
          for (const one of changes) if (one.type === 'select' && one.selected) take(one.id);
        }}
        nodesDraggable={false}
        nodesConnectable={false}
        elementsSelectable
        minZoom={0.1}
        maxZoom={2}
        proOptions={{ hideAttribution: true }}
        ariaLabelConfig={{ 'node.a11yDescription.default': 'Enter shows its cause.' }}
      >
        <Cables cables={cables} />
        <Controls showInteractive={false} position="bottom-right" />
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
