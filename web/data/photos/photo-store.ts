import type { FirmData } from '../firm-data.ts';

/** The whole as it was sent, the small one made of it, and a stand-in for a whole that stayed with another firm. */
export const photoVersions = ['whole', 'small', 'stand-in'] as const;
export type PhotoVersion = (typeof photoVersions)[number];

export interface PhotoName {
  /** SHA-256 of the whole. */
  readonly hash: string;
  readonly version: PhotoVersion;
}

/** Where the bytes of photos are kept, each firm's apart. */
export interface PhotoStore {
  readonly put: (firm: FirmData, name: PhotoName, bytes: Uint8Array) => Promise<void>;
  /** The bytes as they come; null where there are none. */
  readonly get: (firm: FirmData, name: PhotoName) => Promise<ReadableStream<Uint8Array> | null>;
  readonly remove: (firm: FirmData, name: PhotoName) => Promise<void>;
}
