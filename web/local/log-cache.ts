import {
  type Entry,
  foldKit,
  type House,
  HouseFold,
  type JobEntry,
  type KitEntry,
} from '@fair-plug/core/log';
import type { FindingSummary } from '@fair-plug/core/report';
import { summaryOf } from '@fair-plug/core/report/house-summary.ts';
import { beforePacking, beforeSummary, leastHeldBack, mostHeldBack } from '@/local/pauses';
import { type EarlyReading, type LogRows, takeEarlyReading } from './early-reading';
import {
  countOf,
  entriesIn,
  entriesOf,
  isWhole,
  isWholeIn,
  kitKey,
  type LocalDatabase,
  type LogKey,
  pack,
} from './store';

/** A log as it stands on this device. */
export interface LogState {
  /** False until what is here was read. */
  readonly isRead: boolean;
  /** True where nothing of the log is here. */
  readonly isEmpty: boolean;
  /** False where the server was known to have more of it than is here. */
  readonly isWhole: boolean;
  readonly entries: readonly Entry[];
  /** Of a job's log. */
  readonly house: House;
}

/** Keeps the line of the list of jobs, and leaves as it is what else is known of the log by then. */
async function keepSummary(
  store: LocalDatabase,
  log: LogKey,
  house: House,
  summarized: number,
): Promise<void> {
  const summary = summaryOf(house);
  await store.transaction('rw', store.logs, async () => {
    const kept = await store.logs.get(log);
    await store.logs.put({ cursor: 0, ...kept, log, summary, summarized });
  });
}

const pause = (milliseconds: number): Promise<void> => new Promise((go) => setTimeout(go, milliseconds));

/** Answers that came too late in a row, until one is waited for as long as any again. */
const lateOnes = 5;

/** One log, read once and grown entry by entry; whoever listens is told when it grows. */
class CachedLog {
  private readonly store: LocalDatabase;
  private readonly log: LogKey;
  private fold = new HouseFold();
  private readonly all = new Map<string, Entry>();
  private readonly listeners = new Set<() => void>();
  private readonly first = new Set<() => Promise<void>>();
  private current: LogState | null = null;
  private isRead = false;
  private isWhole = true;
  /** Answers in a row that came later than they were waited for. */
  private late = 0;
  /** How often somebody stated whether it is whole. */
  private statedWhole = 0;
  private summaryTimer: ReturnType<typeof setTimeout> | undefined;
  /** Ends with the action that is being kept; the first one waits until what is here was read. */
  private turn: Promise<unknown>;

  constructor(store: LocalDatabase, log: LogKey, early?: Promise<LogRows | null>) {
    this.store = store;
    this.log = log;
    this.turn = this.begin(early).catch(() => {});
    // Nothing waits for it but the next time that the log is opened.
    setTimeout(() => void pack(store, log).catch(() => {}), beforePacking);
  }

  /** What the page has read early already, else what is kept. */
  private async begin(early?: Promise<LogRows | null>): Promise<void> {
    if (early === undefined) return this.read();
    const stated = this.statedWhole;
    const rows = await early;
    if (rows === null) await this.read();
    // Read again meanwhile, it is newer.
    else if (!this.isRead) await this.takeRead(entriesIn(rows), isWholeIn(rows.kept), stated);
  }

  /** Reads what is kept, again where another tab has kept more. */
  async read(): Promise<void> {
    const stated = this.statedWhole;
    const [entries, whole] = await Promise.all([
      entriesOf(this.store, this.log),
      isWhole(this.store, this.log),
    ]);
    await this.takeRead(entries, whole, stated);
  }

  private async takeRead(entries: readonly Entry[], whole: boolean, stated: number): Promise<void> {
    this.isRead = true;
    // What was stated meanwhile is newer than what was read.
    if (stated === this.statedWhole) this.isWhole = whole;
    this.current = null;
    const told = this.take(entries);
    this.notify();
    await told;
  }

  /** Reads all anew: entries that had not been sent yet changed. */
  async readAnew(): Promise<void> {
    this.fold = new HouseFold();
    this.all.clear();
    await this.read();
  }

  /** `before`: called once the entries are taken in, before anyone is told; ends when all were. */
  async take(entries: readonly Entry[], whole?: boolean, before?: () => void): Promise<void> {
    const fresh = entries.filter(({ id }) => !this.all.has(id));
    if (whole !== undefined) this.statedWhole += 1;
    if (fresh.length === 0 && (whole ?? this.isWhole) === this.isWhole) {
      before?.();
      return;
    }
    this.isWhole = whole ?? this.isWhole;
    for (const entry of fresh) this.all.set(entry.id, entry);
    if (this.log !== kitKey) {
      this.fold.add(fresh as readonly JobEntry[]);
      this.summarize();
    }
    this.current = null;
    const awaited = [...this.first].map((one) => one());
    if (awaited.length > 0) await this.unlessLate(Promise.allSettled(awaited));
    before?.();
    this.notify();
  }

  /** Those who are told first have an answer before the others are told, unless that takes too long; it is waited for less where it did lately. */
  private async unlessLate(answered: Promise<unknown>): Promise<void> {
    const patience = this.late % lateOnes === 0 ? mostHeldBack : leastHeldBack;
    const isLate = await Promise.race([answered.then(() => false), pause(patience).then(() => true)]);
    this.late = isLate ? this.late + 1 : 0;
  }

  readonly state = (): LogState => {
    this.current ??= {
      isRead: this.isRead,
      isEmpty: this.all.size === 0,
      isWhole: this.isWhole,
      entries: [...this.all.values()],
      house: this.fold.house,
    };
    return this.current;
  };

  readonly listen = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Told that the log has grown before everybody else, who wait a moment for its answer: both are drawn at once. */
  readonly listenFirst = (listener: () => Promise<void>): (() => void) => {
    this.first.add(listener);
    return () => this.first.delete(listener);
  };

  /**
   * Does one thing after another, so that each builds on what the one before left; one that fails holds up none.
   * `standing` answers the log as it is when it is asked.
   */
  inTurn<T>(work: (standing: () => LogState) => Promise<T>): Promise<T> {
    const done = this.turn.then(() => work(this.state));
    this.turn = done.catch(() => {});
    return done;
  }

  private notify(): void {
    for (const listener of this.listeners) listener();
  }

  /** Brings the line of the list of jobs up to date, once a burst of entries is over. */
  private summarize(): void {
    clearTimeout(this.summaryTimer);
    this.summaryTimer = setTimeout(() => {
      // Where the store was closed meanwhile, the line is made when the list is opened next.
      keepSummary(this.store, this.log, this.fold.house, this.all.size).catch(() => {});
    }, beforeSummary);
  }
}

/** The logs that are open in this tab, in step with those of other tabs. */
export class LogCache {
  private readonly store: LocalDatabase;
  private readonly cache = new Map<LogKey, CachedLog>();
  private readonly channel: BroadcastChannel;
  /** Ends with what is being assessed for the list of jobs: one list after another. */
  private assessing: Promise<void> = Promise.resolve();

  constructor(store: LocalDatabase) {
    this.store = store;
    const early = takeEarlyReading(store.name);
    this.channel = early?.channel ?? new BroadcastChannel(store.name);
    this.channel.onmessage = ({ data }) =>
      void this.cache
        .get(String(data))
        ?.read()
        .catch(() => {});
    if (early !== null) this.openEarly(early);
  }

  /** Opened at once: what is kept here from now on is told to who is open. */
  private openEarly({ logs, grown }: EarlyReading): void {
    for (const [log, rows] of logs)
      this.cache.set(log, new CachedLog(this.store, log, grown.has(log) ? undefined : rows));
  }

  /** What is open of a log is read anew, here and in other tabs. */
  async renew(log: LogKey): Promise<void> {
    await this.cache.get(log)?.readAnew();
    this.channel.postMessage(log);
  }

  book(log: LogKey): CachedLog {
    let book = this.cache.get(log);
    if (book === undefined) {
      book = new CachedLog(this.store, log);
      this.cache.set(log, book);
    }
    return book;
  }

  /**
   * Entries that were kept: shown here and in other tabs. `whole`: whether the server is known to have more, if asked;
   * `before`: called before anyone is told. Ends when all were told here.
   */
  async grown(log: LogKey, entries: readonly Entry[], whole?: boolean, before?: () => void): Promise<void> {
    if (entries.length > 0) this.channel.postMessage(log);
    const book = this.cache.get(log);
    if (book === undefined) before?.();
    else await book.take(entries, whole, before);
  }

  /** Makes sure that the list of jobs has a line for a log that nobody has opened here. */
  async summarized(log: LogKey): Promise<void> {
    if (this.cache.has(log) || log === kitKey) return;
    const entries = await entriesOf(this.store, log);
    const fold = new HouseFold().add(entries as readonly JobEntry[]);
    await keepSummary(this.store, log, fold.house, entries.length);
  }

  /** Brings every line of the list of jobs up to date whose page was closed before it was. */
  async allSummarized(): Promise<void> {
    for (const { log, summarized } of await this.store.logs.toArray()) {
      if ((await countOf(this.store, log)) !== summarized) await this.summarized(log);
    }
  }

  /** Keeps what a house was found to come to, for the list of jobs; unless it has grown since. */
  async assessed(log: LogKey, house: House, summary: FindingSummary): Promise<void> {
    const state = this.cache.get(log)?.state();
    if (state?.house !== house) return;
    await this.keepFindings(log, state.entries.length, summary);
  }

  /** Brings up to date what the list of jobs says of findings, one log after another, where `summarize` answers. */
  allAssessed(summarize: (house: House) => Promise<FindingSummary | null>): Promise<void> {
    this.assessing = this.assessing.then(() => this.assessAll(summarize)).catch(() => {});
    return this.assessing;
  }

  private async assessAll(summarize: (house: House) => Promise<FindingSummary | null>): Promise<void> {
    const kit = await countOf(this.store, kitKey);
    for (const kept of await this.store.logs.toArray()) {
      const { log, summary } = kept;
      const count = await countOf(this.store, log);
      if (log === kitKey || summary === null || summary.tested === 0) continue;
      if (kept.findings?.entries === count && kept.findings.kit === kit) continue;
      const entries = await entriesOf(this.store, log);
      const house = new HouseFold().add(entries as readonly JobEntry[]).house;
      const found = await summarize(house);
      if (found !== null) await this.keepFindings(log, entries.length, found);
    }
  }

  private async keepFindings(log: LogKey, entries: number, summary: FindingSummary): Promise<void> {
    const kit = await countOf(this.store, kitKey);
    await this.store.logs.update(log, { findings: { summary, entries, kit } });
  }

  close(): void {
    this.channel.close();
  }
}

export const kitIn = (entries: readonly Entry[]) => foldKit(entries as readonly KitEntry[]);
