import { DatabaseStore } from './database-store.ts';
import type { PhotoStore } from './photo-store.ts';
import { s3Store } from './s3-store.ts';

let chosen: PhotoStore | null = null;

/** The store that this server was told to use: PostgreSQL, unless the name of a bucket is given. */
export function photoStore(): PhotoStore {
  chosen ??= s3Store(process.env) ?? new DatabaseStore();
  return chosen;
}
