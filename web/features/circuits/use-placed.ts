import { type Remote, wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { Placed, Placer } from '@/workers/graph.worker';
import { type Graph, sizes } from './graph-model';

let remote: Remote<Placer> | null = null;

function placer(): Remote<Placer> {
  remote ??= wrap<Placer>(
    new Worker(new URL('../../workers/graph.worker.ts', import.meta.url), { type: 'module', name: 'graph' }),
  );
  return remote;
}

export type Places = ReadonlyMap<string, Placed>;

/** Where everything of a graph stands, worked out beside the page; null until it is. */
export function usePlaced({ nodes, edges, shape }: Graph): Places | null {
  const [placed, setPlaced] = useState<{ readonly shape: string; readonly places: Places } | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is read changes nothing of where things stand
  useEffect(() => {
    let isCurrent = true;
    const asked = nodes.map(({ id, kind, breaker }) => ({
      id,
      ...sizes[kind],
      isLoose: kind === 'receptacle' && breaker === null,
    }));
    const began = performance.now();
    void placer()
      .place(
        asked,
        edges.map(({ from, to }) => [from, to] as const),
      )
      .then((all) => {
        // Read by whoever measures it.
        performance.measure('graph laid out', { start: began });
        if (isCurrent) setPlaced({ shape, places: new Map(all.map((one) => [one.id, one])) });
      });
    return () => {
      isCurrent = false;
    };
  }, [shape]);
  return placed?.places ?? null;
}
