'use client';

import { useWindowEvent } from '@mantine/hooks';
import { createContext, type ReactNode, useContext, useEffect, useMemo, useState } from 'react';
import { type FirmApi, firmApi } from './api';
import { type Identity, rememberedIdentity, storeName } from './identity';
import { LogCache } from './log-cache';
import { kitKey, LocalDatabase, type LogKey } from './store';
import { Sync } from './sync';
import { UnsentWatch } from './unsent-watch';
import type { Standing } from './who-is-here';

/** Everything that screens read from and write to, for one person in one firm. */
export interface Local {
  readonly identity: Identity;
  readonly standing: Standing;
  readonly store: LocalDatabase;
  readonly api: FirmApi;
  readonly cache: LogCache;
  readonly sync: Sync;
  readonly unsent: UnsentWatch;
}

const Context = createContext<Local | null>(null);

export function useLocal(): Local {
  const local = useContext(Context);
  if (local === null) throw new Error('outside of LocalStore');
  return local;
}

export interface LocalStoreProps {
  readonly identity: Identity;
  readonly standing: Standing;
  readonly children: ReactNode;
}

const partsFor = (identity: Identity) => {
  const store = new LocalDatabase(storeName(identity));
  const api = firmApi(identity.firm.id, identity.person.id);
  const cache = new LogCache(store);
  return {
    store,
    api,
    cache,
    sync: new Sync(store, api, cache),
    unsent: new UnsentWatch(store),
  };
};

let opened: { readonly name: string; readonly parts: ReturnType<typeof partsFor> } | null = null;

/** Opened once for one person in one firm, however often what shows them is put together anew. */
function partsOf(identity: Identity) {
  const name = storeName(identity);
  if (opened?.name !== name) {
    opened?.parts.cache.close();
    opened = { name, parts: partsFor(identity) };
  }
  return opened.parts;
}

/** Begins to read what a page is about to show, for whoever worked here last, while the page itself is still on its way. */
export function headStart(log: LogKey): void {
  const identity = rememberedIdentity();
  if (identity === null) return;
  const { cache } = partsOf(identity);
  for (const one of [log, kitKey]) cache.book(one);
}

/**
 * Everything below can read logs and keep entries; they are sent and fetched as long as it is shown. Made anew for
 * another person or firm: give it their store's name as its key.
 */
export function LocalStore({ identity, standing, children }: LocalStoreProps) {
  const [parts] = useState(() => partsOf(identity));
  const { store, api, cache, sync, unsent } = parts;
  const isKnown = standing === 'known';
  useEffect(() => {
    // While the server does not know them, what is kept here stays here.
    if (!isKnown) return;
    sync.start();
    return () => sync.end();
  }, [sync, isKnown]);
  useEffect(() => {
    // Asked once: what is kept here is not to be swept away when space runs short.
    void navigator.storage?.persist?.();
  }, []);
  useWindowEvent('online', sync.renew);
  const local = useMemo<Local>(
    () => ({ identity, standing, store, api, cache, sync, unsent }),
    [identity, standing, store, api, cache, sync, unsent],
  );
  return <Context value={local}>{children}</Context>;
}
