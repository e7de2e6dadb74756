import { liveQuery, type Subscription } from 'dexie';
import type { KeptPhoto, LocalDatabase, Unsent } from './store';

export interface UnsentState {
  readonly rows: readonly Unsent[];
  readonly photos: readonly KeptPhoto[];
  /** Something was entered and is not in this browser's store yet, or not seen there. */
  readonly isKeeping: boolean;
}

export const nothingUnsent: UnsentState = { rows: [], photos: [], isKeeping: false };

/** What is not on the server yet, read once for all who show it. */
export class UnsentWatch {
  private readonly store: LocalDatabase;
  private readonly listeners = new Set<() => void>();
  private current: UnsentState = nothingUnsent;
  private keeping = 0;
  private subscription: Subscription | null = null;

  constructor(store: LocalDatabase) {
    this.store = store;
  }

  readonly state = (): UnsentState => this.current;

  /** Nothing is said to be saved from now until the work is done and what is unsent was read again. */
  during<T>(work: Promise<T>): Promise<T> {
    this.keeping += 1;
    this.becomes(this.current);
    void this.settled(work);
    return work;
  }

  private async settled(work: Promise<unknown>): Promise<void> {
    await work.catch(() => {});
    const unsent = await this.read().catch(() => this.current);
    this.keeping -= 1;
    this.becomes(unsent);
  }

  private async read(): Promise<Omit<UnsentState, 'isKeeping'>> {
    const { unsent, photos } = this.store;
    const [rows, waiting] = await Promise.all([unsent.toArray(), photos.where('sent').equals(0).toArray()]);
    return { rows, photos: waiting };
  }

  private becomes({ rows, photos }: Omit<UnsentState, 'isKeeping'>): void {
    const isKeeping = this.keeping > 0;
    const [now, before] = [
      rows.length + photos.length,
      this.current.rows.length + this.current.photos.length,
    ];
    if (now === 0 && before === 0 && isKeeping === this.current.isKeeping) return;
    this.current = { rows, photos, isKeeping };
    for (const one of this.listeners) one();
  }

  readonly listen = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    this.subscription ??= liveQuery(() => this.read()).subscribe({
      next: (unsent) => this.becomes(unsent),
      // The store was closed: who listens will be gone too.
      error: () => {},
    });
    return () => {
      this.listeners.delete(listener);
      if (this.listeners.size > 0) return;
      this.subscription?.unsubscribe();
      this.subscription = null;
    };
  };
}
