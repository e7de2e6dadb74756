import { jobArchiveName, photoFileName, writeJobFile } from '@fair-plug/core/exchange';
import type { JobEntry } from '@fair-plug/core/log';
import { foldHouse } from '@fair-plug/core/log';
import { configure, TextReader, Uint8ArrayReader, ZipWriter } from '@zip.js/zip.js';
import type { FirmData } from '../firm-data.ts';
import { wholeLog } from '../log-pages.ts';
import { listNames } from '../people.ts';
import { archivedPhoto } from './leaving.ts';

configure({ useWebWorkers: false });

/**
 * A job as a ZIP: its file, and beside it each photo whose bytes are here, one after another as it is read. What is
 * blurred leaves blurred: such a photo stands under another name, with the ids of its blurs in the comment of its entry.
 */
export async function jobArchive(firm: FirmData, job: string): Promise<ReadableStream<Uint8Array> | null> {
  const log = await firm.transaction((transaction) => wholeLog(transaction, firm.id, 'job', job));
  if (log === null || log.entries.length === 0) return null;
  const entries = log.entries as readonly JobEntry[];
  const house = foldHouse(entries);
  const wrote = new Set(entries.map(({ author }) => author));
  const names = [
    ...Object.entries(house.authors ?? {}),
    ...(await listNames(firm)).map(({ id, name }) => [id, name] as const),
  ].filter(([id]) => wrote.has(id));
  const text = writeJobFile({ job, entries, authors: Object.fromEntries(names), links: log.links });
  const { readable, writable } = new TransformStream<Uint8Array, Uint8Array>();
  const zip = new ZipWriter(writable, { level: 0, extendedTimestamp: false });
  const write = async (): Promise<void> => {
    await zip.add(jobArchiveName, new TextReader(text), { level: 6 });
    const written = new Set<string>();
    for (const photo of house.photos ?? []) {
      const kept = await archivedPhoto(firm, photo);
      if (kept === null) continue;
      const name = photoFileName(photo.hash, kept.burnt);
      if (written.has(name)) continue;
      written.add(name);
      await zip.add(name, new Uint8ArrayReader(kept.bytes), {
        comment: kept.burnt === null ? '' : kept.burnt.join(','),
      });
    }
    await zip.close();
  };
  // Whoever reads no more ends it.
  void write().catch((error) => writable.abort(error).catch(() => {}));
  return readable;
}
