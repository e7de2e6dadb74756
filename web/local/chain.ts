import { type BareLink, bareLinkOf, type ChainHead, chained, type Entry } from '@fair-plug/core/log';
import type { LocalDatabase, LogKey, Unsent } from './tables';

/**
 * Gives entries of this device their links, in their order, behind all that it entered in the log before. Within the
 * transaction that keeps them, so that two tabs make one chain.
 */
export async function link<E extends Entry>(
  store: LocalDatabase,
  log: LogKey,
  entries: readonly E[],
  after?: ChainHead | null,
): Promise<readonly E[]> {
  const linked = chained(entries, after === undefined ? await headOf(store, log) : after);
  await keepHead(store, log, linked.head);
  return linked.entries;
}

/** Where the chain of this device ends in a log; null where it has none there. */
export const headOf = async (store: LocalDatabase, log: LogKey): Promise<ChainHead | null> =>
  (await store.chains.get(log)) ?? null;

export async function keepHead(store: LocalDatabase, log: LogKey, head: ChainHead | null): Promise<void> {
  if (head === null) await store.chains.delete(log);
  else await store.chains.put({ log, ...head });
}

/** Leaves the link of an entry in the chain that will not stand there itself. */
export async function leaveLink(store: LocalDatabase, log: LogKey, entry: Entry): Promise<void> {
  const bare = bareLinkOf(entry);
  if (bare !== null) await store.links.put({ log, sent: 0, ...bare });
}

const withoutLink = (entry: Entry): Entry => {
  const { link: _, ...own } = entry;
  return own;
};

/** Sets aside what the server will never take: it is kept and shown, and its link stays in the chain. */
export async function refuse(
  store: LocalDatabase,
  { log, order, entry }: Unsent,
  why: string,
): Promise<void> {
  await store.transaction('rw', store.unsent, store.links, async () => {
    await store.unsent.update(order, { refused: why });
    await leaveLink(store, log, entry);
  });
}

/**
 * Puts what is unsent of a log behind where the server says that this device's chain ends: it went another way there, as
 * where a browser was put back to an earlier state. Answers whether there was anything.
 */
export async function relink(
  store: LocalDatabase,
  log: LogKey,
  device: string,
  head: ChainHead | null,
): Promise<boolean> {
  return store.transaction('rw', store.unsent, store.chains, store.links, async () => {
    const waiting = await store.unsent.where('log').equals(log).sortBy('order');
    const own = waiting.filter(
      ({ entry, refused }) => refused === null && entry.device === device && entry.link !== undefined,
    );
    await store.links
      .where({ log, sent: 0 })
      .filter((one) => one.device === device)
      .delete();
    const entries = await link(
      store,
      log,
      own.map(({ entry }) => withoutLink(entry)),
      head,
    );
    for (const [at, { order }] of own.entries()) {
      const entry = entries[at];
      if (entry !== undefined) await store.unsent.update(order, { entry });
    }
    return own.length > 0;
  });
}

/** An entry of this device as it is from now on, at the end of its chain; its link stays where it was. */
export async function linkAnew(
  store: LocalDatabase,
  log: LogKey,
  entry: Entry,
  changed: Entry,
): Promise<Entry> {
  if (entry.link === undefined) return changed;
  await leaveLink(store, log, entry);
  const [linked] = await link(store, log, [withoutLink(changed)]);
  return linked ?? changed;
}

/** Links of a log whose entries are not here. */
export const bareLinksOf = async (store: LocalDatabase, log: LogKey): Promise<readonly BareLink[]> =>
  (await store.links.where('log').equals(log).toArray()).map(({ log: _, sent: _s, ...bare }) => bare);

/** Keeps links whose entries are not there, as the server or a file told them. */
export async function keepLinks(
  store: LocalDatabase,
  log: LogKey,
  links: readonly BareLink[],
  sent: 0 | 1,
): Promise<void> {
  await store.links.bulkPut(links.map((one) => ({ log, sent, ...one })));
}
