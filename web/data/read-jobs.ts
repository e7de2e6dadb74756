import { HouseFold } from '@fair-plug/core/log';
import type { FirmData } from './firm-data.ts';
import type { Read } from './job-lines.ts';
import { jobPage } from './log-pages.ts';

/** The jobs that were read last: a long log is read once, and then only what is new of it. */
const read = new Map<string, Read>();
/** Entries of all of them together, but for the last. */
const mostEntries = 100_000;
const pageLength = 2000;

/** All of a firm's job, folded; null where it has none. Never waited for by a request. */
export async function readJob(firm: FirmData, job: string): Promise<Read | null> {
  const name = `${firm.id} ${job}`;
  let known = read.get(name) ?? { fold: new HouseFold(), seq: 0 };
  for (let isWhole = false; !isWhole; ) {
    const page = await jobPage(firm, job, known.seq, pageLength);
    if (page === null) return null;
    known = { fold: known.fold.add(page.entries), seq: page.cursor };
    isWhole = page.entries.length < pageLength;
  }
  read.delete(name);
  read.set(name, known);
  let sum = [...read.values()].reduce((all, { seq }) => all + seq, 0);
  for (const [oldest, { seq }] of read) {
    if (sum <= mostEntries || oldest === name) break;
    read.delete(oldest);
    sum -= seq;
  }
  return known;
}
