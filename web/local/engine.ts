import { type Remote, wrap } from 'comlink';
import { beforeAskingAgain } from '@/local/pauses';
import type { Engine } from '@/workers/engine.worker';

/** The engine broke down: its code could not be had, or it ran out of memory. */
class EngineLost extends Error {}

interface Running {
  readonly worker: Worker;
  readonly remote: Remote<Engine>;
  /** Whoever waits for an answer, told when the engine breaks down. */
  readonly waiting: Set<() => void>;
}

let running: Running | null = null;

function started(): Running {
  const worker = new Worker(new URL('../workers/engine.worker.ts', import.meta.url), {
    type: 'module',
    name: 'engine',
  });
  const waiting = new Set<() => void>();
  worker.onerror = () => {
    worker.terminate();
    running = null;
    for (const tell of waiting) tell();
  };
  return { worker, remote: wrap<Engine>(worker), waiting };
}

/** Starts the engine in its worker, unless it runs; only in a browser. */
export function startEngine(): Running {
  running ??= started();
  return running;
}

/**
 * Puts a question to the engine. Where it breaks down before it has answered, it is started anew after a while and asked
 * once more, as often as that takes; throws what the engine throws.
 */
export async function ask<T>(question: (engine: Remote<Engine>) => Promise<T>): Promise<T> {
  for (;;) {
    const { remote, waiting } = startEngine();
    let tell = (): void => {};
    try {
      return await new Promise<T>((answered, failed) => {
        tell = () => failed(new EngineLost());
        waiting.add(tell);
        question(remote).then(answered, failed);
      });
    } catch (error) {
      if (!(error instanceof EngineLost)) throw error;
    } finally {
      waiting.delete(tell);
    }
    await new Promise((go) => setTimeout(go, beforeAskingAgain));
  }
}
