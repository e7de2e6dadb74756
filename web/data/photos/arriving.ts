import { createHash } from 'node:crypto';
import { mostPhotoBytes } from '@fair-plug/core/knowledge';
import type { JobEntryOf } from '@fair-plug/core/log';
import { sql, type Transaction } from 'kysely';
import type { PhotoState } from '../../contract/answers.ts';
import type { FirmData } from '../firm-data.ts';
import type { Database } from '../schema.ts';
import { smallOf, whyNoPhoto } from './pictures.ts';
import { photoStore } from './store.ts';

/** A piece of a photo, as it is sent. */
export interface Piece {
  readonly job: string;
  /** SHA-256 of the whole photo. */
  readonly hash: string;
  /** Where in it the piece begins. */
  readonly from: number;
  /** Bytes of all of it. */
  readonly total: number;
  readonly bytes: Uint8Array;
  /** Ids of the blurs that are burnt into what is sent in place of the whole; null: it is the whole. */
  readonly burnt: readonly string[] | null;
}

export type Arrived =
  | { readonly kind: 'arrived'; readonly have: number; readonly isThere: boolean }
  /** No entry of the job speaks of it (yet). */
  | { readonly kind: 'waits' }
  | { readonly kind: 'no-such-job' }
  | { readonly kind: 'refused'; readonly message: string };

const photosSaid = (transaction: Transaction<Database>, firm: FirmData, job: string) =>
  transaction
    .selectFrom('entry')
    .select(sql<string>`body->>'hash'`.as('hash'))
    .where('organization', '=', firm.id)
    .where('log', '=', job)
    .where(sql`body->>'kind'`, '=', 'photo-taken' satisfies JobEntryOf<'photo-taken'>['kind']);

const isJob = async (transaction: Transaction<Database>, firm: FirmData, job: string): Promise<boolean> =>
  (await transaction
    .selectFrom('log')
    .select('id')
    .where('organization', '=', firm.id)
    .where('kind', '=', 'job')
    .where('id', '=', job)
    .executeTakeFirst()) !== undefined;

/** Whether an entry of the job, standing or taken back, speaks of a photo of this hash. */
export const isSpokenOf = (firm: FirmData, job: string, hash: string): Promise<boolean> =>
  firm.transaction(
    async (transaction) =>
      (await photosSaid(transaction, firm, job)
        .where(sql`body->>'hash'`, '=', hash)
        .limit(1)
        .executeTakeFirst()) !== undefined,
  );

const arrivingPieces = (transaction: Transaction<Database>, firm: FirmData, hash: string) =>
  transaction
    .selectFrom('photo_piece')
    .where('organization', '=', firm.id)
    .where('hash', '=', hash)
    .where('version', '=', 'arriving');

/** How much of each photo that a job speaks of is here; null where the firm has no such job. */
export async function photoStates(firm: FirmData, job: string): Promise<readonly PhotoState[] | null> {
  return firm.transaction(async (transaction) => {
    if (!(await isJob(transaction, firm, job))) return null;
    const rows = await transaction
      .selectFrom('photo')
      .select(['hash', 'has_whole', 'burnt'])
      .where('organization', '=', firm.id)
      .where('hash', 'in', photosSaid(transaction, firm, job))
      .execute();
    return rows.map(({ hash, has_whole, burnt }) => ({ hash, isWhole: has_whole, burnt }));
  });
}

/** Takes a piece in; the last one makes the photo whole: checked, decoded, and put where photos are kept. */
export async function takePiece(firm: FirmData, piece: Piece): Promise<Arrived> {
  const { job, hash, from, total, bytes, burnt } = piece;
  const kept = await firm.transaction(async (transaction): Promise<Arrived | Buffer> => {
    if (!(await isJob(transaction, firm, job))) return { kind: 'no-such-job' };
    const said = await photosSaid(transaction, firm, job)
      .where(sql`body->>'hash'`, '=', hash)
      .limit(1)
      .executeTakeFirst();
    if (said === undefined) return { kind: 'waits' };
    await transaction
      .insertInto('photo')
      .values({ organization: firm.id, hash })
      .onConflict((conflict) => conflict.columns(['organization', 'hash']).doNothing())
      .execute();
    const photo = await transaction
      .selectFrom('photo')
      .select(['has_whole', 'burnt'])
      .where('organization', '=', firm.id)
      .where('hash', '=', hash)
      .forUpdate()
      .executeTakeFirstOrThrow();
    if (photo.has_whole || (burnt !== null && photo.burnt !== null))
      return { kind: 'arrived', have: total, isThere: true };
    const here = await arrivingPieces(transaction, firm, hash)
      .select(['place', sql<number>`length(bytes)`.as('length')])
      .orderBy('place')
      .execute();
    const have = here.reduce((sum, { length }) => sum + length, 0);
    // All of it is here where the server died before it was made whole: whatever is sent, it is made whole now.
    if (have < total) {
      // Somewhere else than where it goes on: whoever sends is told where that is.
      if (from !== have) return { kind: 'arrived', have, isThere: false };
      if (have + bytes.length > total || total > mostPhotoBytes)
        return { kind: 'refused', message: `A photo may be at most ${mostPhotoBytes} bytes long.` };
      await transaction
        .insertInto('photo_piece')
        .values({ organization: firm.id, hash, version: 'arriving', place: from, bytes: Buffer.from(bytes) })
        .execute();
      if (have + bytes.length < total) return { kind: 'arrived', have: have + bytes.length, isThere: false };
    }
    const pieces = await arrivingPieces(transaction, firm, hash).select('bytes').orderBy('place').execute();
    return Buffer.concat(pieces.map((one) => one.bytes));
  });
  if (!Buffer.isBuffer(kept)) return kept;
  const wrong =
    burnt === null && createHash('sha256').update(kept).digest('hex') !== hash
      ? 'These are not the bytes that were announced.'
      : await whyNoPhoto(kept);
  if (wrong === null) {
    const store = photoStore();
    await store.put(firm, { hash, version: burnt === null ? 'whole' : 'stand-in' }, kept);
    await store.put(firm, { hash, version: 'small' }, await smallOf(kept));
  }
  await firm.transaction(async (transaction) => {
    await settle(transaction, firm, hash, burnt, wrong === null);
  });
  return wrong === null
    ? { kind: 'arrived', have: total, isThere: true }
    : { kind: 'refused', message: wrong };
}

/** Notes that a photo is there, or forgets what arrived of it. */
async function settle(
  transaction: Transaction<Database>,
  firm: FirmData,
  hash: string,
  burnt: readonly string[] | null,
  isGood: boolean,
): Promise<void> {
  await transaction
    .deleteFrom('photo_piece')
    .where('organization', '=', firm.id)
    .where('hash', '=', hash)
    .where('version', '=', 'arriving')
    .execute();
  if (!isGood) return;
  await transaction
    .updateTable('photo')
    .set(burnt === null ? { has_whole: true } : { burnt: JSON.stringify(burnt) })
    .where('organization', '=', firm.id)
    .where('hash', '=', hash)
    .execute();
}
