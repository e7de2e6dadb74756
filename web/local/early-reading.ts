import type { LogKey } from './log-names';
import type { Confirmed, KeptLog, Pack, Unsent } from './tables';

/** What is here of a log, as it lies in the store. */
export interface LogRows {
  readonly packs: readonly Pack[];
  readonly confirmed: readonly Confirmed[];
  readonly unsent: readonly Unsent[];
  readonly kept: KeptLog | undefined;
}

/** What a page began to read of a store before its scripts had arrived. */
export interface EarlyReading {
  readonly store: string;
  /** Tells of logs that have grown in other tabs, since before any was read. */
  readonly channel: BroadcastChannel;
  /** Those that it has told of by now: what was read of them may be older. */
  readonly grown: ReadonlySet<LogKey>;
  /** By log; null where the store is not there, or is of another build. */
  readonly logs: ReadonlyMap<LogKey, Promise<LogRows | null>>;
}

declare global {
  interface Window {
    earlyReading?: EarlyReading;
  }
}

/** What `readEarly` is told of names and versions that others know. */
export interface EarlyNames {
  readonly identity: string;
  readonly kit: LogKey;
  /** Version of the store, as the browser counts it. */
  readonly version: number;
}

/**
 * Asks for the log that the address names, and for the kit, of whoever worked here last. It stands in the head of every
 * page as text and runs before any script has arrived: so it uses nothing from outside of itself.
 */
export function readEarly({ identity, kit, version }: EarlyNames): void {
  const job = new URLSearchParams(location.search).get('job');
  const remembered = localStorage.getItem(identity);
  if (job === null || remembered === null) return;
  const { firm, person } = JSON.parse(remembered);
  const store = `fair-plug ${firm.id} ${person.id}`;
  const channel = new BroadcastChannel(store);
  const grown = new Set<string>();
  channel.onmessage = ({ data }) => grown.add(String(data));
  const answerTo = <T>(request: IDBRequest<T>): Promise<T> =>
    new Promise((done, failed) => {
      request.onsuccess = () => done(request.result);
      request.onerror = () => failed(request.error);
    });
  const rowsOf = async (database: IDBDatabase, log: string): Promise<LogRows> => {
    const within = database.transaction(['packs', 'confirmed', 'unsent', 'logs']);
    const [packs, confirmed, unsent, kept] = await Promise.all([
      answerTo(within.objectStore('packs').getAll(IDBKeyRange.bound([log], [log, []]))),
      answerTo(within.objectStore('confirmed').index('log').getAll(log)),
      answerTo(within.objectStore('unsent').index('log').getAll(log)),
      answerTo(within.objectStore('logs').get(log)),
    ]);
    return { packs, confirmed, unsent, kept };
  };
  const asked = indexedDB.open(store);
  // There is none yet: it is not for this to make it.
  asked.onupgradeneeded = () => asked.transaction?.abort();
  const read = answerTo(asked).then((database) => {
    const all = database.version === version ? [job, kit].map((log) => rowsOf(database, log)) : [];
    // Once what was begun has ended.
    database.close();
    return all;
  });
  const log = (at: number) => read.then(async (all) => (await all[at]) ?? null).catch(() => null);
  window.earlyReading = { store, channel, grown, logs: new Map([job, kit].map((key, at) => [key, log(at)])) };
}

/** What was read early of a store, once; null where nothing was, or of another store. */
export function takeEarlyReading(store: string): EarlyReading | null {
  const early = globalThis.window?.earlyReading;
  if (early === undefined) return null;
  delete window.earlyReading;
  if (early.store === store) return early;
  early.channel.close();
  return null;
}
