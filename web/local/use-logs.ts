'use client';

import type { House, JobEntry, JobStatement, Kit, KitStatement } from '@fair-plug/core/log';
import { counted } from '@fair-plug/core/words/counted.ts';
import { useEffect, useMemo, useSyncExternalStore } from 'react';
import { RequestFailed } from './api';
import { useLocal } from './local-store';
import { kitIn, type LogState } from './log-cache';
import { type KeptPhoto, keep, kitKey, type LogKey, type Unsent } from './store';
import type { SyncState } from './sync';
import { nothingUnsent } from './unsent-watch';
import type { Standing } from './who-is-here';

export type Loaded<T> =
  | { readonly kind: 'loading' }
  | { readonly kind: 'failed'; readonly error: RequestFailed }
  | ({ readonly kind: 'loaded' } & T);

const nothingYet: SyncState = { failure: null, missing: new Set(), isCurrent: false, clockOff: null };

export function useSyncState(): SyncState {
  const { sync } = useLocal();
  return useSyncExternalStore(sync.listen, sync.state, () => nothingYet);
}

function useLog(log: LogKey): Loaded<LogState> {
  const { cache, sync } = useLocal();
  const book = useMemo(() => cache.book(log), [cache, log]);
  useEffect(() => sync.want(log), [sync, log]);
  const state = useSyncExternalStore(book.listen, book.state, book.state);
  const { failure, missing } = useSyncState();
  return useMemo(() => {
    if (!state.isRead) return { kind: 'loading' };
    // A firm's kit begins empty; a job has at least its first entry.
    if (!state.isEmpty || log === kitKey) return { kind: 'loaded', ...state };
    if (missing.has(log))
      return { kind: 'failed', error: new RequestFailed('not-found', 'There is no such job.') };
    return failure === null ? { kind: 'loading' } : { kind: 'failed', error: failure };
  }, [state, failure, missing, log]);
}

/** Whether all that is shown was here, to the last entry, when the server was asked last. */
export const useIsCurrent = (): boolean => useSyncState().isCurrent;

export function useHouse(
  job: string,
): Loaded<{ house: House; entries: readonly JobEntry[]; isWhole: boolean }> {
  const log = useLog(job);
  return useMemo(
    () =>
      log.kind === 'loaded'
        ? {
            kind: 'loaded',
            house: log.house,
            entries: log.entries as readonly JobEntry[],
            isWhole: log.isWhole,
          }
        : log,
    [log],
  );
}

export function useKit(): Loaded<Kit> {
  const log = useLog(kitKey);
  return useMemo(() => (log.kind === 'loaded' ? { kind: 'loaded', ...kitIn(log.entries) } : log), [log]);
}

/** A statement, or those that follow from what is kept by the time it is their turn: what was shown may be older. */
export type From<T, S> = S | ((standing: T) => readonly S[]);

/** What an action on a job keeps. */
export type JobPart = From<LogState, JobStatement>;
export type KitPart = From<Kit, KitStatement>;

const madeFrom = <T, S extends object>(parts: readonly From<T, S>[], standing: T): readonly S[] =>
  parts.flatMap((part) => (typeof part === 'function' ? part(standing) : [part]));

/**
 * Functions that keep the statements of one action in this browser and see to it that they are sent; null for readers.
 * Actions on a log take their turn: each is made from what those before it left.
 */
export function useKeep() {
  const { identity, store, cache, sync, unsent } = useLocal();
  return useMemo(() => {
    if (identity.firm.role === 'viewer') return null;
    const author = identity.person.id;
    const into = async (
      log: LogKey,
      statements: readonly (JobStatement | KitStatement)[],
      opens = false,
      before?: () => void,
    ) => {
      if (statements.length === 0) {
        before?.();
        return;
      }
      await cache.grown(log, await keep(store, log, author, statements, opens), undefined, before);
      sync.wakeSoon();
    };
    return {
      openJob: async (job: string, statements: readonly JobStatement[]) => {
        await unsent.during(into(job, statements, true));
        await cache.summarized(job);
      },
      /** Answers the log as it stands afterwards. */
      inJob: (job: string, ...parts: readonly JobPart[]): Promise<LogState> =>
        unsent.during(
          cache.book(job).inTurn(async (standing) => {
            await into(job, madeFrom(parts, standing()));
            return standing();
          }),
        ),
      /** The same; `kept` is told the log as it stands before it is drawn, so that what it changes is drawn with it. */
      inJobAtOnce: (job: string, part: JobPart, kept: (standing: LogState) => void): Promise<void> =>
        unsent.during(
          cache
            .book(job)
            .inTurn((standing) => into(job, madeFrom([part], standing()), false, () => kept(standing()))),
        ),
      inKit: (...parts: readonly KitPart[]): Promise<void> =>
        unsent.during(
          cache.book(kitKey).inTurn((standing) => into(kitKey, madeFrom(parts, kitIn(standing().entries)))),
        ),
    };
  }, [identity, store, cache, sync, unsent]);
}

const awayCodes = ['server-away', 'database-away', 'no-room', 'outdated'] as const;
type AwayCode = (typeof awayCodes)[number];

export interface SaveState {
  /** Something was entered and is not in this browser's store yet. */
  readonly isKeeping: boolean;
  readonly toSend: number;
  /** All that is in this browser alone, what the server refuses among it; and in words: "3 entries and 1 photo". */
  readonly unsent: number;
  readonly unsentWords: string;
  /** When the oldest of what is unsent was entered; ISO time. */
  readonly unsentSince: string | null;
  readonly refused: readonly Unsent[];
  /** Photos on their way, and those that the server does not take. */
  readonly photosToSend: number;
  readonly photosRefused: readonly KeptPhoto[];
  /** What keeps entries here, if anything does. */
  readonly away: AwayCode | 'failed' | Exclude<Standing, 'known'> | null;
  /** The server's words where it failed at something. */
  readonly message: string | null;
}

const isAwayCode = (code: string): code is AwayCode => (awayCodes as readonly string[]).includes(code);

export function useSaveState(): SaveState {
  const { unsent, standing } = useLocal();
  const { rows, photos, isKeeping } = useSyncExternalStore(unsent.listen, unsent.state, () => nothingUnsent);
  const { failure } = useSyncState();
  const waiting = rows.filter((row) => row.refused === null);
  const away = (): SaveState['away'] => {
    if (standing !== 'known') return standing;
    if (failure === null) return null;
    return isAwayCode(failure.code) ? failure.code : 'failed';
  };
  return {
    isKeeping,
    toSend: waiting.length,
    unsent: rows.length + photos.length,
    unsentWords: [
      ...(rows.length > 0 ? [counted(rows.length, 'entry', 'entries')] : []),
      ...(photos.length > 0 ? [counted(photos.length, 'photo', 'photos')] : []),
    ].join(' and '),
    unsentSince: waiting[0]?.entry.at ?? null,
    refused: rows.filter((row) => row.refused !== null),
    photosToSend: photos.filter((one) => one.refused === null).length,
    photosRefused: photos.filter((one) => one.refused !== null),
    away: away(),
    message: failure?.message ?? null,
  };
}
