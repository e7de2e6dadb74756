import type { LocalDatabase, LogKey, PhotoBytes } from '../tables';

/** A photo as it was made ready: its bytes and the small one's, and what they hash to. */
export interface ReadyPhoto {
  /** SHA-256 of the whole. */
  readonly hash: string;
  readonly whole: ArrayBuffer;
  readonly small: ArrayBuffer;
  /** Ids of the blurs that are burnt into it, where it came in a file; else left out. */
  readonly burnt?: readonly string[] | null;
}

/** Keeps a photo's bytes, to be sent once its entry was. One that is here already stays as it is. */
export async function keepPhoto(store: LocalDatabase, log: LogKey, photo: ReadyPhoto): Promise<void> {
  const { hash, whole, small, burnt = null } = photo;
  await store.transaction('rw', store.photos, store.photoBytes, async () => {
    if ((await store.photos.get([log, hash])) !== undefined) return;
    const total = whole.byteLength;
    await store.photos.put({ log, hash, total, have: 0, sent: 0, refused: null, burnt });
    await store.photoBytes.bulkPut([
      { log, hash, version: 'whole', bytes: whole },
      { log, hash, version: 'small', bytes: small },
    ]);
  });
}

export async function bytesHere(
  store: LocalDatabase,
  log: LogKey,
  hash: string,
  version: PhotoBytes['version'],
): Promise<ArrayBuffer | null> {
  return (await store.photoBytes.get([log, hash, version]))?.bytes ?? null;
}

/** Space that is kept free for entries, and what a photo takes, in bytes. */
const reserve = 20 * 2 ** 20;
const usualPhoto = 900_000;

/** How many more photos this device has room for; null where the browser does not say. */
export async function photosLeft(): Promise<number | null> {
  const { quota, usage = 0 } = (await navigator.storage?.estimate?.()) ?? {};
  return quota === undefined ? null : Math.max(0, Math.floor((quota - usage - reserve) / usualPhoto));
}

/** Forgets the large bytes of photos that the server has: they are fetched again when somebody looks at them. */
export async function makeRoom(store: LocalDatabase): Promise<void> {
  const sent = await store.photos.where('sent').equals(1).toArray();
  await store.photoBytes.bulkDelete(sent.map(({ log, hash }) => [log, hash, 'whole']));
}
