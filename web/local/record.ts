'use client';

import type { Entry, JobEntry, KitEntry } from '@fair-plug/core/log';
import { useCallback } from 'react';
import { saveFile } from './files';
import { useLocal } from './local-store';
import { bytesHere } from './photos/kept';
import { allConfirmed, kitKey, type LocalDatabase, type LogKey } from './store';
import type { SavedRecord } from './take-in';

const format: SavedRecord['format'] = 'fair-plug/record@2';

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

/** Base64 of bytes, as a file of JSON holds them. */
const asText = (bytes: ArrayBuffer): Promise<string> =>
  new Promise((done, failed) => {
    const reader = new FileReader();
    reader.onload = () => done(String(reader.result).replace(/^[^,]*,/, ''));
    reader.onerror = () => failed(reader.error);
    reader.readAsDataURL(new Blob([bytes]));
  });

/** Photos that the server does not have whole. */
async function unsentPhotos(store: LocalDatabase): Promise<SavedRecord['photos']> {
  const all: SavedRecord['photos'] = [];
  for (const { log: job, hash, burnt } of await store.photos.where('sent').equals(0).toArray()) {
    const [whole, small] = [
      await bytesHere(store, job, hash, 'whole'),
      await bytesHere(store, job, hash, 'small'),
    ];
    if (whole === null || small === null) continue;
    all.push({
      job,
      hash,
      whole: await asText(whole),
      small: await asText(small),
      burnt: burnt?.slice() ?? null,
    });
  }
  return all;
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
        photos: await unsentPhotos(store),
      };
      saveFile(`Fair Plug record of ${person.name}.json`, JSON.stringify(record, null, 2));
    },
    [identity, store],
  );
}
