import type { JobFile } from '@fair-plug/core/exchange';
import { lazily } from '@fair-plug/core/lazily.ts';
import {
  type BareLink,
  bytesHash,
  clockOf,
  type Entry,
  hashSchema,
  idSchema,
  isPossibleClock,
  isSameEntry,
  type JobEntry,
  type JobStatement,
  jobEntrySchema,
  kitEntrySchema,
  verify,
  withdrawnIn,
} from '@fair-plug/core/log';
import { counted } from '@fair-plug/core/words/counted.ts';
import { z } from 'zod';
import { keepLinks } from './chain';
import type { Local } from './local-store';
import { keepPhoto } from './photos/kept';
import { entriesOf, keep, kitKey, type LogKey } from './store';

/** What one person kept in a browser: a file that they, or an owner of the firm, can take in on another device. */
const recordOf = lazily(() => ({
  firm: z.object({ id: z.string(), name: z.string() }),
  person: z.object({ id: z.string(), name: z.string() }),
  savedAt: z.string(),
  jobs: z.array(z.strictObject({ job: idSchema(), entries: z.array(jobEntrySchema()) })),
  kit: z.array(kitEntrySchema()),
}));
const recordSchema = lazily(() =>
  z.discriminatedUnion('format', [
    z.strictObject({
      format: z.literal('fair-plug/record@2'),
      ...recordOf(),
      /** Photos that were not sent, their bytes in base64. */
      photos: z.array(
        z.strictObject({
          job: idSchema(),
          hash: hashSchema(),
          whole: z.base64(),
          small: z.base64(),
          burnt: z.array(idSchema()).nullable(),
        }),
      ),
    }),
    // From before there were photos.
    z.strictObject({ format: z.literal('fair-plug/record@1'), ...recordOf() }),
  ]),
);
export type SavedRecord = Extract<z.infer<ReturnType<typeof recordSchema>>, { format: 'fair-plug/record@2' }>;

/**
 * Takes a record in: what is not here yet is kept here and sent like anything else. Works without a network. Answers how
 * many entries were new. Throws an error whose message says what is wrong with the file.
 */
export async function takeIn(local: Local, text: string): Promise<number> {
  let body: unknown;
  try {
    body = JSON.parse(text);
  } catch {
    throw new Error('This file is not JSON.');
  }
  const parsed = recordSchema().safeParse(body);
  if (!parsed.success) throw new Error('This file is not a record of Fair Plug.');
  const { firm, jobs, kit } = parsed.data;
  if (firm.id !== local.identity.firm.id) throw new Error(`This record is of another firm, ${firm.name}.`);
  const whole = jobs.map(({ job, entries }) => ({ log: job, entries: taken<Entry>(entries, []) }));
  let count = 0;
  for (const { log, entries } of [...whole, { log: kitKey, entries: taken<Entry>(kit, []) }])
    count += await keepAll(local, log, entries);
  if (parsed.data.format === 'fair-plug/record@2')
    for (const { job, hash, whole, small, burnt } of parsed.data.photos) {
      const bytes = bytesIn(whole);
      if (burnt === null && bytesHash(new Uint8Array(bytes)) !== hash)
        throw new Error('A photo of this record was altered. Its entries were taken in, its photos not all.');
      await keepPhoto(local.store, job, { hash, whole: bytes, small: bytesIn(small), burnt });
    }
  local.sync.wake();
  return count;
}

const bytesIn = (base64: string): ArrayBuffer =>
  Uint8Array.from(atob(base64), (one) => one.charCodeAt(0)).buffer;

/**
 * Entries of a file as they are taken in. What was altered is refused; so is what the server would refuse, which would
 * wait here for ever – but for entries from before there were chains: those count from now on.
 */
function taken<E extends Entry>(entries: readonly E[], links: readonly BareLink[]): readonly E[] {
  const [altered] = verify(entries, links).altered;
  if (altered !== undefined)
    throw new Error(
      `This file was altered after it was entered${altered.entry === null ? '' : `, at entry ${altered.entry}`}. Nothing was taken.`,
    );
  const now = Date.now();
  const isWrong = (entry: E): boolean => !isPossibleClock(clockOf(entry), now);
  const ahead = entries.filter((entry) => entry.link !== undefined && isWrong(entry)).length;
  if (ahead > 0)
    throw new Error(
      `${counted(ahead, 'entry', 'entries')} of this file carry a time more than a day ahead of this device’s clock. Nothing was taken.`,
    );
  const received = new Date(now).toISOString();
  return entries.map((entry) => (isWrong(entry) ? { ...entry, received } : entry));
}

/** Keeps the entries of a log that are not here yet, to be sent like any other; answers how many those were. */
async function keepAll({ store, cache }: Local, log: LogKey, entries: readonly Entry[]): Promise<number> {
  const here = new Set((await entriesOf(store, log)).map(({ id }) => id));
  const fresh = entries.filter(({ id }) => !here.has(id));
  // A job may be unknown to the server: opening one that is known changes nothing.
  const opens = log !== kitKey;
  await store.unsent.bulkAdd(fresh.map((entry) => ({ log, entry, opens, refused: null })));
  await cache.grown(log, fresh);
  if (fresh.length > 0) await cache.summarized(log);
  return fresh.length;
}

/**
 * Takes the job of a file in: entries with the same ids are the same, and nothing is doubled. Throws an error whose
 * message says why nothing was taken.
 */
export async function takeInJob(local: Local, file: JobFile): Promise<number> {
  const { identity, store, cache } = local;
  const { job, authors, links } = file;
  const entries = taken(file.entries, links);
  const known = new Map((await entriesOf(store, job)).map((entry) => [entry.id, entry]));
  const strange = entries.find((entry) => {
    const here = known.get(entry.id);
    return here !== undefined && !isSameEntry(here, entry);
  });
  if (strange !== undefined)
    throw new Error('An entry of this file stands here with other content. Nothing was taken.');
  const isOthers = entries.some(({ id, author }) => !known.has(id) && author !== identity.person.id);
  if (isOthers && identity.firm.role !== 'owner')
    throw new Error('This job holds entries of other people: an owner of the firm takes it in.');
  await keepLinks(store, job, links, 0);
  const count = (await keepAll(local, job, entries)) + (await takenUpAgain(local, job, entries));
  const unnamed = strangersIn(entries, authors, identity.person.id);
  if (count > 0 && unnamed.length > 0)
    await cache.grown(job, await keep(store, job, identity.person.id, unnamed));
  local.sync.wake();
  return count;
}

/** What stands in the file and was taken back here since counts again; answers how many entries those are. */
async function takenUpAgain(
  { identity, store, cache }: Local,
  job: string,
  entries: readonly JobEntry[],
): Promise<number> {
  const here = await entriesOf(store, job);
  const { gone, by } = withdrawnIn(here);
  const inFile = withdrawnIn(entries).gone;
  const back = new Set(entries.map(({ id }) => id).filter((id) => gone.has(id) && !inFile.has(id)));
  // Put back as a whole: what else one of these withdrawals took back stood beside it.
  const withdrawals = by.filter(
    (one) =>
      one.entries.some((id) => back.has(id)) &&
      (identity.firm.role === 'owner' || one.author === identity.person.id),
  );
  if (withdrawals.length === 0) return 0;
  const statements = withdrawals.map(({ id }): JobStatement => ({ kind: 'withdrawn', entries: [id] }));
  await cache.grown(job, await keep(store, job, identity.person.id, statements));
  return withdrawals.flatMap((one) => one.entries).filter((id) => back.has(id)).length;
}

/** Says who the authors are that the log itself does not name. */
function strangersIn(
  entries: readonly JobEntry[],
  authors: JobFile['authors'],
  self: string,
): readonly JobStatement[] {
  const named = new Set(entries.flatMap((entry) => (entry.kind === 'author-named' ? [entry.person] : [])));
  const wrote = new Set(entries.map(({ author }) => author));
  return Object.entries(authors)
    .filter(([person]) => wrote.has(person) && !named.has(person) && person !== self)
    .map(([person, name]) => ({ kind: 'author-named', person, name }));
}
