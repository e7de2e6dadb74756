import type { Entry } from '@fair-plug/core/inspection';
import type { QueryClient } from '@tanstack/react-query';
import { RequestFailed, sendNewJob, sendToJob, sendToKit } from './api';
import { kitKey, type LogKey, store, type Unsent } from './store';

export const logQueryKey = (log: LogKey) => ['log', log] as const;

const largestBatch = 200;
const firstPause = 1000;
const longestPause = 15_000;

/** The oldest sendable entries of one log, in the order in which they were made. */
async function nextBatch(): Promise<readonly Unsent[]> {
  const waiting = await store.unsent.filter((row) => row.refused === null).sortBy('order');
  const [oldest] = waiting;
  return waiting.filter((row) => row.log === oldest?.log).slice(0, largestBatch);
}

async function send(batch: readonly Unsent[]): Promise<void> {
  const [first] = batch;
  if (first === undefined) return;
  const entries = batch.map((row) => row.entry);
  if (first.log === kitKey) await sendToKit(entries);
  else if (batch.some((row) => row.opens)) await sendNewJob(first.log, entries);
  else await sendToJob(first.log, entries);
}

/** Entries joined to a log's, each once. */
export const joined = (log: readonly Entry[], more: readonly Entry[]): readonly Entry[] => {
  const known = new Set(log.map((entry) => entry.id));
  return [...log, ...more.filter((entry) => !known.has(entry.id))];
};

/**
 * Empties the outbox into the server for as long as the page is open: in order, again after a failure that
 * may pass, and setting aside what is refused for good so that it does not hold up the rest.
 * Answers functions that wake it and that end it.
 */
export function runOutbox(queries: QueryClient): { wake: () => void; end: () => void } {
  let running = false;
  let again = false;
  let ended = false;
  let pause = firstPause;
  let timer: ReturnType<typeof setTimeout> | undefined;

  async function refuse(batch: readonly Unsent[], reason: string): Promise<void> {
    const [only] = batch;
    if (only !== undefined && batch.length === 1) {
      await store.unsent.update(only.order, { refused: reason });
      return;
    }
    // All stood or fell together: find out which one it was.
    for (const row of batch) await sendAndSettle([row]);
  }

  async function sendAndSettle(batch: readonly Unsent[]): Promise<void> {
    try {
      await send(batch);
    } catch (error) {
      if (!(error instanceof RequestFailed) || error.isPassing) throw error;
      await refuse(batch, error.message);
      return;
    }
    const [first] = batch;
    if (first === undefined) return;
    // Into the confirmed log first, so that no entry is ever in neither place.
    const sent = batch.map((row) => row.entry);
    // A job opened by this batch had no log before: what was asked too early and not found is answered by it.
    const opened = batch.some((row) => row.opens) ? [] : undefined;
    queries.setQueryData<readonly Entry[]>(
      logQueryKey(first.log),
      (log = opened) => log && joined(log, sent),
    );
    await store.unsent.bulkDelete(batch.map((row) => row.order));
  }

  async function empty(): Promise<void> {
    if (running) {
      again = true;
      return;
    }
    running = true;
    clearTimeout(timer);
    try {
      do {
        again = false;
        for (let batch = await nextBatch(); batch.length > 0 && !ended; batch = await nextBatch())
          await sendAndSettle(batch);
      } while (again && !ended);
      pause = firstPause;
    } catch {
      void queries.invalidateQueries({ queryKey: ['health'] });
      if (!ended) timer = setTimeout(empty, pause);
      pause = Math.min(pause * 2, longestPause);
    } finally {
      running = false;
    }
  }

  const wake = (): void => void empty();
  wake();
  return {
    wake,
    end: () => {
      ended = true;
      clearTimeout(timer);
    },
  };
}
