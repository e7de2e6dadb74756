'use client';

import type { Entry, JobEntry, KitEntry } from '@fair-plug/core/log';
import { useCallback } from 'react';
import { saveFile } from './files';
import { useLocal } from './local-store';
import { allConfirmed, kitKey, type LogKey } from './store';
import type { SavedRecord } from './take-in';

const format: SavedRecord['format'] = 'fair-plug/record@1';

/** An entry and the log that it belongs to. */
interface Row {
  readonly log: LogKey;
  readonly entry: Entry;
}

function jobsIn(rows: readonly Row[]): SavedRecord['jobs'] {
  const jobs = new Map<LogKey, Entry[]>();
  for (const { log, entry } of rows) {
    if (log === kitKey) continue;
    const entries = jobs.get(log);
    if (entries === undefined) jobs.set(log, [entry]);
    else entries.push(entry);
  }
  return [...jobs].map(([job, entries]) => ({ job, entries: entries as JobEntry[] }));
}

/** Saves what is not on the server, what was refused included, or everything that is kept here, as a file. */
export function useExportRecord(): (what: 'unsent' | 'everything') => Promise<void> {
  const { identity, store } = useLocal();
  return useCallback(
    async (what) => {
      const unsent: readonly Row[] = await store.unsent.orderBy('order').toArray();
      const rows = what === 'unsent' ? unsent : [...(await allConfirmed(store)), ...unsent];
      const { person, firm } = identity;
      const record: SavedRecord = {
        format,
        firm: { id: firm.id, name: firm.name },
        person,
        savedAt: new Date().toISOString(),
        jobs: jobsIn(rows),
        kit: rows.filter(({ log }) => log === kitKey).map(({ entry }) => entry as KitEntry),
      };
      saveFile(`Fair Plug record of ${person.name}.json`, JSON.stringify(record, null, 2));
    },
    [identity, store],
  );
}
