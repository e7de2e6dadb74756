import type { KnownCircuit } from '@fair-plug/core/assessment';
import type { PhotoSubject } from '@fair-plug/core/knowledge';
import { type BareLink, type ChainHead, clockOf, type Entry, isPossibleClock } from '@fair-plug/core/log';
import type { FindingSummary, HouseSummary } from '@fair-plug/core/report';
import Dexie, { type EntityTable, type Table, type Transaction } from 'dexie';
import type { LogKey } from './log-names';

export { kitKey, type LogKey } from './log-names';

/** An entry that the server has not confirmed yet. */
export interface Unsent {
  readonly order: number;
  readonly log: LogKey;
  readonly entry: Entry;
  /** The entry begins a new job. */
  readonly opens: boolean;
  /** Why the server will never take it as it is; it is kept, shown, and not sent again. */
  readonly refused: string | null;
}

/** An entry that the server has. */
export interface Confirmed {
  readonly id: string;
  readonly log: LogKey;
  readonly entry: Entry;
}

/** Many entries that the server has, in one row: a log of thousands is read as quickly as one of a few. */
export interface Pack {
  readonly log: LogKey;
  readonly number: number;
  /** A JSON array of entries. */
  readonly entries: string;
}

/** A log that is kept on this device. */
export interface KeptLog {
  readonly log: LogKey;
  /** Number of the last of the server's entries that is here. */
  readonly cursor: number;
  /** Number of the last that the server was known to have. */
  readonly head?: number;
  /** What the list of jobs says; null for the kit, and until the log was folded. */
  readonly summary: HouseSummary | null;
  /** Of how many entries the summary was made. */
  readonly summarized?: number;
  /** How many findings it has, and of how many of its entries and of the kit's that was made. */
  readonly findings?: {
    readonly summary: FindingSummary;
    readonly entries: number;
    readonly kit: number;
  };
  /** How many entries are in its packs. */
  readonly packed?: number;
}

export interface Setting {
  /** `server-ahead`: milliseconds by which the server's time is ahead of this device's. */
  readonly name: 'device' | 'last-instant' | 'clock' | 'server-ahead';
  readonly value: string;
}

/** Where this device's chain in a log ends. */
export interface KeptChain extends ChainHead {
  readonly log: LogKey;
}

/** A link whose entry is not there. */
export interface KeptLink extends BareLink {
  readonly log: LogKey;
  /** 1: the server has it. A number, so that it can be looked up. */
  readonly sent: 0 | 1;
}

/** A photo of a job that is kept on this device, but for its bytes. */
export interface KeptPhoto {
  readonly log: LogKey;
  /** SHA-256 of the whole. */
  readonly hash: string;
  /** Bytes of the whole, and how many of them the server has. */
  readonly total: number;
  readonly have: number;
  /** 1: the server has all of it. A number, so that it can be looked up. */
  readonly sent: 0 | 1;
  /** Why the server will never take it; it is kept, shown, and not sent again. */
  readonly refused: string | null;
  /** Ids of the blurs that are burnt into it, where it came in a file in place of the whole. */
  readonly burnt: readonly string[] | null;
}

/** Bytes of a photo. */
export interface PhotoBytes {
  readonly log: LogKey;
  readonly hash: string;
  readonly version: 'whole' | 'small';
  readonly bytes: ArrayBuffer;
}

/** A file that somebody chose as a photo and that is not made ready yet: it outlives the tab. */
export interface PhotoFile {
  /** Id of the photo that it becomes. */
  readonly id: string;
  readonly log: LogKey;
  readonly subject: Photographed;
  readonly name: string;
  readonly file: Blob;
}

/** What photos are taken of. */
export interface Photographed {
  readonly of: PhotoSubject;
  /** The id of what it is; left out for the house. */
  readonly about?: string;
}

/** What the engine answered of a circuit of a job. */
export interface KeptAnswer extends KnownCircuit {
  readonly log: LogKey;
  /** The build whose engine answered. */
  readonly build: string;
}

/** What is kept in this browser for one person in one firm. */
export class LocalDatabase extends Dexie {
  declare unsent: EntityTable<Unsent, 'order'>;
  declare confirmed: Table<Confirmed, string>;
  declare packs: Table<Pack, [LogKey, number]>;
  declare logs: Table<KeptLog, LogKey>;
  declare chains: Table<KeptChain, LogKey>;
  declare links: Table<KeptLink, [LogKey, string, number]>;
  declare settings: EntityTable<Setting, 'name'>;
  declare photos: Table<KeptPhoto, [LogKey, string]>;
  declare photoFiles: Table<PhotoFile, string>;
  declare photoBytes: Table<PhotoBytes, [LogKey, string, PhotoBytes['version']]>;
  declare answers: Table<KeptAnswer, [LogKey, string]>;

  constructor(name: string) {
    super(name);
    this.version(1).stores({ unsent: '++order, log', settings: 'name' });
    this.version(2).stores({ confirmed: 'id, log', logs: 'log' });
    this.version(3).stores({ packs: '[log+number]' });
    this.version(4)
      .stores({ chains: 'log', links: '[log+device+place], log, sent, [log+sent]' })
      .upgrade(forgetImpossible);
    this.version(5).stores({
      photos: '[log+hash], log, sent',
      photoBytes: '[log+hash+version], [log+hash]',
      photoFiles: 'id',
    });
    this.version(6).stores({ answers: '[log+breaker], log' });
  }
}

/** Forgets logs with clocks that can be nobody's: the server noted when it received them, and gives them once more. */
async function forgetImpossible(transaction: Transaction): Promise<void> {
  const ahead = await transaction.table<Setting>('settings').get('server-ahead');
  const now = Date.now() + Number(ahead?.value ?? 0);
  const isWrong = (entry: Entry): boolean => !isPossibleClock(clockOf(entry), now);
  const [confirmed, packs, logs] = ['confirmed', 'packs', 'logs'].map((name) => transaction.table(name));
  if (confirmed === undefined || packs === undefined || logs === undefined) return;
  const loose = await confirmed.filter(({ entry }: Confirmed) => isWrong(entry)).toArray();
  const packed = await packs.filter(({ entries }: Pack) => JSON.parse(entries).some(isWrong)).toArray();
  for (const log of new Set([...loose, ...packed].map((row) => row.log))) {
    await packs.where('[log+number]').between([log, Dexie.minKey], [log, Dexie.maxKey]).delete();
    await confirmed.where('log').equals(log).delete();
    await logs.delete(log);
  }
}
