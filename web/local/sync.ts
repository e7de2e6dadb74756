import type { LogHead } from '@/contract/answers';
import { beforeSending } from '@/local/pauses';
import { type FirmApi, RequestFailed } from './api';
import { keepLinks } from './chain';
import type { LogCache } from './log-cache';
import { Outbox } from './outbox';
import { PhotoSender } from './photos/sender';
import { confirm, kitKey, type LocalDatabase, type LogKey, setTime } from './store';

/** Milliseconds from one look at the server to the next, while all is well. */
const usualPause = 4000;
const firstPause = 1000;
const longestPause = 30_000;
/** A clock that is off by less is not worth a word, in milliseconds. */
const tellsFrom = 600_000;
/** Jobs that are kept on the device without having been opened here: the latest. */
const keptUnopened = 30;

/** How the browser stands to the server. */
export interface SyncState {
  /** What the server said last that keeps entries here; null where it took and gave everything. */
  readonly failure: RequestFailed | null;
  /** Logs that the server does not have or does not give. */
  readonly missing: ReadonlySet<LogKey>;
  /** All that somebody looks at was here, to the last entry, when the server was asked last. */
  readonly isCurrent: boolean;
  /** Milliseconds by which this device's clock is ahead of the server's; null where it is near it, or nobody knows. */
  readonly clockOff: number | null;
}

/**
 * Keeps this device and the server in step for as long as it runs: sends what is unsent, in order, sets aside what is
 * refused for good, and fetches what others have said. A failure that may pass is tried again, later and later.
 */
export class Sync {
  private readonly store: LocalDatabase;
  private readonly api: FirmApi;
  private readonly cache: LogCache;
  private readonly listeners = new Set<() => void>();
  private current: SyncState = { failure: null, missing: new Set(), isCurrent: false, clockOff: null };
  private readonly wanted = new Set<LogKey>([kitKey]);
  private timer: ReturnType<typeof setTimeout> | undefined;
  private pause = firstPause;
  private isRunning = false;
  private isWoken = false;
  private isStarted = false;
  private isEnded = false;
  private isSoon = false;
  /** How far the server's logs are known to go, and since when. */
  private readonly heads = new Map<string, LogHead>();
  private since: string | null = null;
  private readonly outbox: Outbox;
  /** Sends photos, each after its entry. */
  readonly photos: PhotoSender;

  constructor(store: LocalDatabase, api: FirmApi, cache: LogCache) {
    this.store = store;
    this.api = api;
    this.cache = cache;
    this.photos = new PhotoSender(store, api);
    this.outbox = new Outbox(store, api, {
      changed: (log) => cache.renew(log),
      arrived: (log) => this.setMissing(log, false),
    });
  }

  readonly state = (): SyncState => this.current;

  readonly listen = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  start(): void {
    this.isStarted = true;
    this.isEnded = false;
    this.wake();
  }

  end(): void {
    this.isEnded = true;
    clearTimeout(this.timer);
  }

  /** Something was kept, or is wanted: look at once. */
  readonly wake = (): void => {
    if (this.isStarted && !this.isEnded) void this.run();
  };

  /** What is here may have grown old: nothing counts as current until the server was asked once more. */
  readonly renew = (): void => {
    this.become({ isCurrent: false });
    this.wake();
  };

  /** Something was kept just now: look once what it leads to on screen has had its turn. */
  readonly wakeSoon = (): void => {
    if (this.isSoon) return;
    this.isSoon = true;
    setTimeout(() => {
      this.isSoon = false;
      this.wake();
    }, beforeSending);
  };

  /** Somebody looks at this log: it is to be here, and stay. */
  want(log: LogKey): void {
    if (this.wanted.has(log)) return;
    this.wanted.add(log);
    this.become({ isCurrent: false });
    this.wake();
  }

  /** One whole exchange with the server; throws where it could not be ended. */
  async exchange(): Promise<void> {
    await this.outbox.send(() => this.isEnded);
    await this.pull();
  }

  private async run(): Promise<void> {
    if (this.isRunning) {
      this.isWoken = true;
      return;
    }
    this.isRunning = true;
    clearTimeout(this.timer);
    let pause = usualPause;
    this.photos.renew();
    try {
      do {
        this.isWoken = false;
        await this.exchange();
        this.pause = firstPause;
        if (!this.isWoken) this.become({ failure: null, isCurrent: true });
        // One photo at a time: what is entered meanwhile goes before the next.
        if (!this.isEnded && (await this.photos.sendOne(() => this.isEnded))) this.isWoken = true;
      } while (this.isWoken && !this.isEnded);
    } catch (error) {
      // What is no answer of the server is a bug of ours; entries stay here and it is tried again all the same.
      const failure =
        error instanceof RequestFailed
          ? error
          : new RequestFailed('failed', `This application failed: ${error}`);
      this.become({ failure, isCurrent: false });
      pause = this.pause;
      this.pause = Math.min(this.pause * 2, longestPause);
    } finally {
      this.isRunning = false;
      // Whoever woke it while it failed does not wait as long as the failure would have them.
      if (!this.isEnded) this.timer = setTimeout(this.wake, this.isWoken ? 0 : pause);
    }
  }

  private become(change: Partial<SyncState>): void {
    const next = { ...this.current, ...change };
    const isSame =
      next.failure?.code === this.current.failure?.code &&
      next.failure?.message === this.current.failure?.message &&
      next.missing === this.current.missing &&
      next.isCurrent === this.current.isCurrent &&
      next.clockOff === this.current.clockOff;
    this.current = next;
    if (!isSame) for (const listener of this.listeners) listener();
  }

  private async pull(): Promise<void> {
    const { now, logs: grown, cursor: since } = await this.api.logHeads(this.since);
    if (now !== undefined) await this.setTime(Date.parse(now));
    const cursors = new Map((await this.store.logs.toArray()).map(({ log, cursor }) => [log, cursor]));
    if (this.since === null) this.heads.clear();
    for (const head of grown) this.heads.set(head.id, head);
    // By their ids, the one that was begun last first: as the server tells them.
    const heads = [...this.heads.values()].sort((a, b) => (a.id < b.id ? 1 : -1));
    let unopened = 0;
    const known = new Set<LogKey>();
    const logs = heads.map(({ id, kind, seq }) => ({ log: kind === 'kit' ? kitKey : id, seq }));
    // What somebody looks at comes first, of it the kit: whoever reads a receptacle does so with a tester out of it.
    const rank = ({ log }: { readonly log: LogKey }): number => {
      if (!this.wanted.has(log)) return 2;
      return log === kitKey ? 0 : 1;
    };
    for (const { log, seq } of logs.toSorted((a, b) => rank(a) - rank(b))) {
      known.add(log);
      const isHere = cursors.has(log) || this.wanted.has(log);
      if (!isHere) {
        unopened += 1;
        if (unopened > keptUnopened) continue;
      }
      const cursor = cursors.get(log) ?? 0;
      if (cursor < seq || !cursors.has(log)) await this.fetch(log, cursor, seq);
      if (this.isEnded) return;
    }
    for (const log of this.wanted) this.setMissing(log, !known.has(log));
    // Only now: what broke off half way is told of again.
    this.since = since ?? null;
  }

  /** Goes by the server's time from now on; what was unsent with an impossible one is sent with another. */
  private async setTime(now: number): Promise<void> {
    const off = Date.now() - now;
    this.become({ clockOff: Math.abs(off) < tellsFrom ? null : off });
    const changed = await setTime(this.store, now);
    if (changed.length === 0) return;
    for (const log of changed) await this.cache.renew(log);
    await this.outbox.send(() => this.isEnded);
  }

  private async fetch(log: LogKey, from: number, to: number): Promise<void> {
    for (let cursor = from; ; ) {
      const page = await (log === kitKey ? this.api.kitLog(cursor) : this.api.jobLog(log, cursor));
      const isLast = page.entries.length === 0 || page.cursor >= to;
      const head = isLast ? page.cursor : to;
      const fresh = await confirm(this.store, log, page.entries, { cursor: page.cursor, head });
      await keepLinks(this.store, log, page.links, 1);
      await this.cache.grown(log, fresh, isLast);
      if (isLast) break;
      cursor = page.cursor;
    }
    await this.cache.summarized(log);
  }

  private setMissing(log: LogKey, isMissing: boolean): void {
    if (this.current.missing.has(log) === isMissing) return;
    const missing = new Set(this.current.missing);
    if (isMissing) missing.add(log);
    else missing.delete(log);
    this.become({ missing });
  }
}
