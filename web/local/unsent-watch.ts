import { liveQuery, type Subscription } from 'dexie';
import type { LocalDatabase, Unsent } from './store';

export interface UnsentState {
  readonly rows: readonly Unsent[];
  /** Something was entered and is not in this browser's store yet, or not seen there. */
  readonly isKeeping: boolean;
}

export const nothingUnsent: UnsentState = { rows: [], isKeeping: false };

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
    this.becomes(this.current.rows);
    void this.settled(work);
    return work;
  }

  private async settled(work: Promise<unknown>): Promise<void> {
    await work.catch(() => {});
    const rows = await this.store.unsent.toArray().catch(() => this.current.rows);
    this.keeping -= 1;
    this.becomes(rows);
  }

  private becomes(rows: readonly Unsent[]): void {
    const isKeeping = this.keeping > 0;
    if (rows.length === 0 && this.current.rows.length === 0 && isKeeping === this.current.isKeeping) return;
    this.current = { rows, isKeeping };
    for (const one of this.listeners) one();
  }

  readonly listen = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    this.subscription ??= liveQuery(() => this.store.unsent.toArray()).subscribe({
      next: (rows) => this.becomes(rows),
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
