import type { Entry } from '@fair-plug/core/log';
import { type FirmApi, RequestFailed } from './api';
import { keepLinks, refuse, relink } from './chain';
import { confirm, deviceId, kitKey, type LocalDatabase, type LogKey, type Unsent } from './store';

const largestBatch = 200;
/** Sent again at the next exchange: what it names may have arrived by then, and its clock been set. */
const laterCodes: readonly string[] = ['waits', 'clock'];

/** The oldest sendable entries of one log, in the order in which they were made. */
async function nextBatch(store: LocalDatabase, later: ReadonlySet<number>): Promise<readonly Unsent[]> {
  const waiting = await store.unsent
    .filter((row) => row.refused === null && !later.has(row.order))
    .sortBy('order');
  const [oldest] = waiting;
  return waiting.filter((row) => row.log === oldest?.log).slice(0, largestBatch);
}

/** Who is told of what becomes of a log. */
interface Told {
  /** What is still to be sent of it was changed. */
  readonly changed: (log: LogKey) => Promise<void>;
  /** The server took something of it. */
  readonly arrived: (log: LogKey) => void;
}

/** Sends what is unsent, and sets aside what the server will never take. */
export class Outbox {
  private readonly store: LocalDatabase;
  private readonly api: FirmApi;
  private readonly told: Told;
  /** What names entries that the server does not have yet: sent again the next time. */
  private readonly later = new Set<number>();
  /** Logs, and ends of this device's chain on the server from where it went on. */
  private readonly wentOn = new Set<string>();

  constructor(store: LocalDatabase, api: FirmApi, told: Told) {
    this.store = store;
    this.api = api;
    this.told = told;
  }

  /** Sends what is unsent, in order, until `isOver`; throws where the server cannot be reached or takes nothing now. */
  async send(isOver: () => boolean): Promise<void> {
    this.later.clear();
    this.wentOn.clear();
    for (let batch = await nextBatch(this.store, this.later); batch.length > 0 && !isOver(); ) {
      await this.sendAndSettle(batch);
      batch = await nextBatch(this.store, this.later);
    }
    await this.sendLinks();
  }

  /** Sends the links of what the server refused, so that the chains stand there too. */
  private async sendLinks(): Promise<void> {
    const waiting = await this.store.links.where('sent').equals(0).toArray();
    for (const log of new Set(waiting.map((one) => one.log))) {
      const links = waiting.filter((one) => one.log === log).slice(0, largestBatch);
      const bare = links.map(({ log: _, sent: _s, ...one }) => one);
      try {
        await (log === kitKey ? this.api.sendToKit([], bare) : this.api.sendToJob(log, [], bare));
      } catch (error) {
        if (!(error instanceof RequestFailed) || error.isPassing) throw error;
        // Not begun there yet, or gone another way: a gap says no more than that something is missing.
        if (error.code === 'not-found') continue;
      }
      await keepLinks(this.store, log, bare, 1);
    }
  }

  /**
   * Goes on where the server says that this device's chain ends. False where it is another device's, or where it was
   * tried before: then something else is wrong with what was sent.
   */
  private async goOn(log: LogKey, { chain }: RequestFailed): Promise<boolean> {
    const device = await deviceId(this.store);
    if (chain === undefined || chain.device !== device) return false;
    const to = `${log} ${chain.head?.hash}`;
    if (this.wentOn.has(to)) return false;
    this.wentOn.add(to);
    if (!(await relink(this.store, log, device, chain.head))) return false;
    await this.told.changed(log);
    return true;
  }

  private async sendBatch(batch: readonly Unsent[]): Promise<void> {
    const [first] = batch;
    if (first === undefined) return;
    const entries = batch.map((row) => row.entry);
    if (first.log === kitKey) await this.api.sendToKit(entries);
    else if (batch.some((row) => row.opens)) await this.api.sendNewJob(first.log, entries);
    else await this.sendToJob(first.log, entries);
  }

  /** Where the server does not have the job, whoever sends first opens it. */
  private async sendToJob(job: LogKey, entries: readonly Entry[]): Promise<void> {
    try {
      await this.api.sendToJob(job, entries);
    } catch (error) {
      if (!(error instanceof RequestFailed) || error.code !== 'not-found') throw error;
      await this.api.sendNewJob(job, entries);
    }
  }

  /** Answers false where what is still to be sent was changed: it is to be looked up anew. */
  private async sendAndSettle(batch: readonly Unsent[]): Promise<boolean> {
    const [first] = batch;
    if (first === undefined) return true;
    try {
      await this.sendBatch(batch);
    } catch (error) {
      if (!(error instanceof RequestFailed) || error.isPassing) throw error;
      if (error.code === 'chain' && (await this.goOn(first.log, error))) return false;
      if (batch.length === 1 && laterCodes.includes(error.code)) this.later.add(first.order);
      else if (batch.length === 1) await refuse(this.store, first, error.message);
      // All stood or fell together: find out which one it was.
      else for (const row of batch) if (!(await this.sendAndSettle([row]))) return false;
      return true;
    }
    await confirm(
      this.store,
      first.log,
      batch.map((row) => row.entry),
      null,
    );
    this.told.arrived(first.log);
    return true;
  }
}
