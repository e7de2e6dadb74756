import type { JobEntry } from './entry.ts';
import { inOrder } from './entry-order.ts';

/** An entry that says something: what was withdrawn does so no longer. */
export type Standing = Exclude<JobEntry, { kind: 'withdrawn' }>;

/** What one thing – the job, a room, a receptacle – was said to be, in order, without what was withdrawn. */
export class Subject<T> {
  readonly entries: Standing[] = [];
  private built: T | null = null;
  private readonly build: (entries: readonly Standing[]) => T;
  private readonly beginsAnew: () => void;

  /** `beginsAnew`: called when another entry is its first. */
  constructor(build: (entries: readonly Standing[]) => T, beginsAnew = () => {}) {
    this.build = build;
    this.beginsAnew = beginsAnew;
  }

  get state(): T {
    this.built ??= this.build(this.entries);
    return this.built;
  }

  get first(): Standing {
    return this.entries[0] as Standing;
  }

  add(entry: Standing): void {
    const { entries } = this;
    let from = 0;
    let to = entries.length;
    // New entries are the latest, as a rule; whatever order they come in, no more are looked at than halving takes.
    if (to > 0 && inOrder(entries[to - 1] as Standing, entry) <= 0) from = to;
    while (from < to) {
      const middle = (from + to) >> 1;
      if (inOrder(entries[middle] as Standing, entry) > 0) to = middle;
      else from = middle + 1;
    }
    entries.splice(from, 0, entry);
    this.built = null;
    if (from === 0) this.beginsAnew();
  }

  remove(id: string): void {
    const at = this.entries.findIndex((entry) => entry.id === id);
    if (at === -1) return;
    this.entries.splice(at, 1);
    this.built = null;
    if (at === 0) this.beginsAnew();
  }
}

/** Subjects of one kind, by id. */
export class Subjects<T> {
  private readonly byId = new Map<string, Subject<T>>();
  /** null where one of them begins anew since they were put in order. */
  private ordered: readonly (readonly [string, Subject<T>])[] | null = null;
  private readonly build: (id: string, entries: readonly Standing[]) => T;

  constructor(build: (id: string, entries: readonly Standing[]) => T) {
    this.build = build;
  }

  of(id: string): Subject<T> {
    let subject = this.byId.get(id);
    if (subject === undefined) {
      subject = new Subject<T>(
        (entries) => this.build(id, entries),
        () => {
          this.ordered = null;
        },
      );
      this.byId.set(id, subject);
    }
    return subject;
  }

  /** The subject of which something still stands. */
  find(id: string): Subject<T> | undefined {
    const subject = this.byId.get(id);
    return subject === undefined || subject.entries.length === 0 ? undefined : subject;
  }

  /** Those of which something still stands, in the order in which they were first spoken of. */
  inOrder(): readonly (readonly [string, Subject<T>])[] {
    this.ordered ??= [...this.byId]
      .filter(([, { entries }]) => entries.length > 0)
      .sort(([, a], [, b]) => inOrder(a.first, b.first));
    return this.ordered;
  }
}
