import type { Entry } from '@fair-plug/core/inspection';
import Dexie, { type EntityTable } from 'dexie';
import { v7 } from 'uuid';

/** The log that an entry belongs to: a job's id, or the kit. */
export type LogKey = string;
export const kitKey: LogKey = 'kit';

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

interface Setting {
  readonly name: 'device' | 'last-instant';
  readonly value: string;
}

class LocalDatabase extends Dexie {
  declare unsent: EntityTable<Unsent, 'order'>;
  declare settings: EntityTable<Setting, 'name'>;

  constructor() {
    super('fair-plug');
    this.version(1).stores({ unsent: '++order, log', settings: 'name' });
  }
}

export const store = new LocalDatabase();

async function settingOf(name: Setting['name'], make: () => string): Promise<string> {
  const known = await store.settings.get(name);
  if (known !== undefined) return known.value;
  const value = make();
  await store.settings.put({ name, value });
  return value;
}

/** This browser's id, made once. */
export const deviceId = (): Promise<string> => settingOf('device', () => v7());

type Statement = { readonly kind: Entry['kind'] };

/**
 * Gives the statements of one action their envelope, all with the same time and that later than any before on
 * this device, and keeps them in the outbox before anything is sent. Answers the entries.
 */
export async function keep<S extends Statement>(
  log: LogKey,
  author: string,
  statements: readonly S[],
  opens = false,
): Promise<readonly Entry[]> {
  return store.transaction('rw', store.unsent, store.settings, async () => {
    const device = await deviceId();
    const last = await store.settings.get('last-instant');
    const previous = last === undefined ? 0 : Date.parse(last.value);
    const at = new Date(Math.max(Date.now(), previous + 1)).toISOString();
    await store.settings.put({ name: 'last-instant', value: at });
    const entries = statements.map(
      (statement) => ({ id: v7(), device, author, at, ...statement }) as unknown as Entry,
    );
    await store.unsent.bulkAdd(entries.map((entry) => ({ log, entry, opens, refused: null })));
    return entries;
  });
}
