import { type Remote, wrap } from 'comlink';
import type { Engine } from '@/workers/engine.worker';

let remote: Remote<Engine> | null = null;

/** The engine in its worker, started when first asked for; only in a browser. */
export function engine(): Remote<Engine> {
  remote ??= wrap<Engine>(
    new Worker(new URL('../workers/engine.worker.ts', import.meta.url), { type: 'module', name: 'engine' }),
  );
  return remote;
}
