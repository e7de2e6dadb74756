import { type Entry, foldKit, usualPhotoDays, withdrawnIn } from '@fair-plug/core/log';
import { sql } from 'kysely';
import type { FirmData } from '../firm-data.ts';
import { log, loggable } from '../log.ts';
import { wholeLog } from '../log-pages.ts';
import { photoVersions } from './photo-store.ts';
import { photoStore } from './store.ts';

const dayMilliseconds = 86_400_000;
/** What began to arrive and never came to an end is kept so long, in days. */
const arrivingDays = 14;

interface Said {
  readonly id: string;
  readonly log: string;
  readonly hash: string;
}

/** Hashes of photos of which no entry stands, with the time of what took the last of them back. */
function takenBack(
  said: readonly Said[],
  withdrawals: ReadonlyMap<string, readonly { readonly entry: Entry; readonly at: Date }[]>,
): ReadonlyMap<string, Date> {
  const gone = new Map<string, Date>();
  for (const [job, all] of withdrawals) {
    const by = new Map(all.map(({ entry, at }) => [entry.id, at]));
    for (const one of withdrawnIn(all.map(({ entry }) => entry)).by)
      for (const id of one.entries) gone.set(`${job} ${id}`, by.get(one.id) ?? new Date());
  }
  const standing = new Set(
    said.filter(({ log: job, id }) => !gone.has(`${job} ${id}`)).map(({ hash }) => hash),
  );
  const back = new Map<string, Date>();
  for (const { log: job, id, hash } of said) {
    const at = gone.get(`${job} ${id}`);
    if (standing.has(hash) || at === undefined) continue;
    const before = back.get(hash);
    if (before === undefined || before < at) back.set(hash, at);
  }
  return back;
}

/** Erases the bytes of photos that were taken back longer ago than the firm keeps them. Answers how many those were. */
export async function sweepPhotos(firm: FirmData, now: number): Promise<number> {
  const { said, withdrawals, days, stale } = await firm.transaction(async (transaction) => {
    const kit = await wholeLog(transaction, firm.id, 'kit');
    const rows = await transaction
      .selectFrom('entry')
      .select(['id', 'log', sql<string>`body->>'hash'`.as('hash')])
      .where('organization', '=', firm.id)
      .where(sql`body->>'kind'`, '=', 'photo-taken')
      .execute();
    const jobs = [...new Set(rows.map((row) => row.log))];
    const back =
      jobs.length === 0
        ? []
        : await transaction
            .selectFrom('entry')
            .select(['log', 'body', 'received_at'])
            .where('organization', '=', firm.id)
            .where('log', 'in', jobs)
            .where(sql`body->>'kind'`, '=', 'withdrawn')
            .execute();
    const byJob = new Map<string, { entry: Entry; at: Date }[]>();
    for (const row of back)
      byJob.set(row.log, [...(byJob.get(row.log) ?? []), { entry: row.body as Entry, at: row.received_at }]);
    const unfinished = await transaction
      .selectFrom('photo')
      .select('hash')
      .where('organization', '=', firm.id)
      .where('has_whole', '=', false)
      .where('burnt', 'is', null)
      .where('received_at', '<', new Date(now - arrivingDays * dayMilliseconds))
      .execute();
    return {
      said: rows,
      withdrawals: byJob,
      days: foldKit(kit?.entries ?? []).firm.photoDays ?? usualPhotoDays,
      stale: unfinished.map(({ hash }) => hash),
    };
  });
  const until = now - days * dayMilliseconds;
  const due = [...takenBack(said, withdrawals)].filter(([, at]) => at.getTime() <= until);
  let erased = 0;
  for (const hash of [...due.map(([one]) => one), ...stale]) if (await erase(firm, hash)) erased += 1;
  return erased;
}

/** Erases all versions of a photo. False where there were none. */
async function erase(firm: FirmData, hash: string): Promise<boolean> {
  const store = photoStore();
  const known = await firm.transaction((transaction) =>
    transaction
      .selectFrom('photo')
      .select('hash')
      .where('organization', '=', firm.id)
      .where('hash', '=', hash)
      .executeTakeFirst(),
  );
  if (known === undefined) return false;
  for (const version of photoVersions) await store.remove(firm, { hash, version });
  await firm.transaction((transaction) =>
    transaction.deleteFrom('photo').where('organization', '=', firm.id).where('hash', '=', hash).execute(),
  );
  return true;
}

/** When each firm's photos were looked through last. */
const looked = new Map<string, number>();
const everyMilliseconds = dayMilliseconds / 4;

/** Looks through a firm's photos beside whatever else is done, four times a day at the most. */
export function sweepSoon(firm: FirmData): void {
  const now = Date.now();
  if (now - (looked.get(firm.id) ?? 0) < everyMilliseconds) return;
  looked.set(firm.id, now);
  void sweepPhotos(firm, now).catch((failed) => log.error(loggable(failed)));
}
