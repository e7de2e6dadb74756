import type { FirmData } from '../firm-data.ts';
import type { PhotoName, PhotoStore } from './photo-store.ts';

/** Bytes in one row: little enough to be read and sent on one by one. */
const pieceLength = 256 * 1024;

/** Photos in PostgreSQL, in pieces. */
export class DatabaseStore implements PhotoStore {
  async put(firm: FirmData, { hash, version }: PhotoName, bytes: Uint8Array): Promise<void> {
    const pieces: Buffer[] = [];
    for (let at = 0; at < bytes.length; at += pieceLength)
      pieces.push(Buffer.from(bytes.subarray(at, at + pieceLength)));
    await firm.transaction(async (transaction) => {
      await transaction
        .deleteFrom('photo_piece')
        .where('organization', '=', firm.id)
        .where('hash', '=', hash)
        .where('version', '=', version)
        .execute();
      for (const [place, piece] of pieces.entries())
        await transaction
          .insertInto('photo_piece')
          .values({ organization: firm.id, hash, version, place, bytes: piece })
          .execute();
    });
  }

  async get(firm: FirmData, name: PhotoName): Promise<ReadableStream<Uint8Array> | null> {
    const first = await pieceAt(firm, name, 0);
    if (first === null) return null;
    let place = 0;
    return new ReadableStream<Uint8Array>({
      async pull(controller) {
        const piece = place === 0 ? first : await pieceAt(firm, name, place);
        place += 1;
        if (piece !== null) controller.enqueue(new Uint8Array(piece));
        if (piece === null || piece.length < pieceLength) controller.close();
      },
    });
  }

  async remove(firm: FirmData, { hash, version }: PhotoName): Promise<void> {
    await firm.transaction((transaction) =>
      transaction
        .deleteFrom('photo_piece')
        .where('organization', '=', firm.id)
        .where('hash', '=', hash)
        .where('version', '=', version)
        .execute(),
    );
  }
}

async function pieceAt(firm: FirmData, { hash, version }: PhotoName, place: number): Promise<Buffer | null> {
  const row = await firm.transaction((transaction) =>
    transaction
      .selectFrom('photo_piece')
      .select('bytes')
      .where('organization', '=', firm.id)
      .where('hash', '=', hash)
      .where('version', '=', version)
      .where('place', '=', place)
      .executeTakeFirst(),
  );
  return row?.bytes ?? null;
}
