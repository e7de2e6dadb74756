import { QueryClient } from '@tanstack/react-query';
import { useLocal } from './local-store';
import type { LocalDatabase } from './tables';

const clients = new WeakMap<LocalDatabase, QueryClient>();

/** What was asked of the server for one person in one firm. Given to each question by itself: the walk asks none. */
export function useQueries(): QueryClient {
  const { store } = useLocal();
  let client = clients.get(store);
  if (client === undefined) {
    client = new QueryClient({ defaultOptions: { queries: { retry: 1, networkMode: 'always' } } });
    clients.set(store, client);
  }
  return client;
}
