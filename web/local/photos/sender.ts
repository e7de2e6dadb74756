import { mostPiece } from '@/contract/limits';
import { type FirmApi, RequestFailed } from '../api';
import type { KeptPhoto, LocalDatabase } from '../tables';
import { bytesHere } from './kept';

/** The photo that is on its way. */
export interface Sending {
  readonly hash: string;
  readonly have: number;
  readonly total: number;
}

/** Sends photos piece by piece, each from where the server says that it goes on. */
export class PhotoSender {
  private readonly store: LocalDatabase;
  private readonly api: FirmApi;
  private readonly listeners = new Set<() => void>();
  private current: Sending | null = null;
  /** Those whose entries the server does not have yet: tried again the next time. */
  private readonly later = new Set<string>();

  constructor(store: LocalDatabase, api: FirmApi) {
    this.store = store;
    this.api = api;
  }

  readonly state = (): Sending | null => this.current;

  readonly listen = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** What waited for its entry is tried again from now on. */
  renew(): void {
    this.later.clear();
  }

  /** Sends one photo to its end, if one waits. Answers whether another may wait; throws where the server takes nothing now. */
  async sendOne(isOver: () => boolean): Promise<boolean> {
    const photo = await this.store.photos
      .where('sent')
      .equals(0)
      .filter((one) => one.refused === null && !this.later.has(one.hash))
      .first();
    if (photo === undefined) return false;
    try {
      await this.send(photo, isOver);
    } catch (error) {
      if (!(error instanceof RequestFailed) || error.isPassing) throw error;
      if (error.code === 'waits' || error.code === 'not-found') this.later.add(photo.hash);
      else await this.store.photos.update([photo.log, photo.hash], { refused: error.message });
    } finally {
      this.become(null);
    }
    return true;
  }

  private async send({ log, hash, total, have, burnt }: KeptPhoto, isOver: () => boolean): Promise<void> {
    const bytes = await bytesHere(this.store, log, hash, 'whole');
    if (bytes === null) {
      // What came from the server needs not go there.
      await this.store.photos.update([log, hash], { sent: 1 });
      return;
    }
    for (let from = Math.min(have, total); !isOver(); ) {
      this.become({ hash, have: from, total });
      // A photo of which all was sent and nothing confirmed: its last byte asks.
      const piece = bytes.slice(Math.min(from, total - 1), from + mostPiece);
      const at = Math.min(from, total - 1);
      const answer = await this.api.sendPiece(log, hash, { from: at, total, burnt }, piece);
      await this.store.photos.update([log, hash], {
        have: answer.have,
        ...(answer.isThere ? { sent: 1 as const } : {}),
      });
      if (answer.isThere) return;
      // Told twice to go on from the same place, it is left for the next try: nothing is sent for ever.
      if (answer.have === from) throw new RequestFailed('failed', 'The server takes no more of a photo.');
      from = answer.have;
    }
  }

  private become(now: Sending | null): void {
    this.current = now;
    for (const listener of this.listeners) listener();
  }
}
