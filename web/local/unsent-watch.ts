import { liveQuery, type Subscription } from 'dexie';
import type { LocalDatabase, Unsent } from './store';

const none: readonly Unsent[] = [];

/** What is not on the server yet, read once for all who show it. */
export class UnsentWatch {
  private readonly store: LocalDatabase;
  private readonly listeners = new Set<() => void>();
  private rows: readonly Unsent[] = none;
  private subscription: Subscription | null = null;

  constructor(store: LocalDatabase) {
    this.store = store;
  }

  readonly state = (): readonly Unsent[] => this.rows;

  readonly listen = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    this.subscription ??= liveQuery(() => this.store.unsent.toArray()).subscribe({
      next: (rows) => {
        if (rows.length === 0 && this.rows.length === 0) return;
        this.rows = rows;
        for (const one of this.listeners) one();
      },
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
