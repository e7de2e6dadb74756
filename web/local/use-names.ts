'use client';

import { useQuery } from '@tanstack/react-query';
import { useCallback, useEffect } from 'react';
import { useLocal } from './local-store';
import { useQueries } from './queries';
import { useOwnStorage } from './use-own-storage';

export interface Names {
  /** Of somebody who belongs or belonged to the firm; null: not known here. */
  readonly nameOf: (person: string) => string | null;
  /** The server has answered, or does not answer. */
  readonly isSettled: boolean;
}

const none: Readonly<Record<string, string>> = {};

/** Who made the entries that one meets; while the server is away, as it was known last. */
export function useNames(): Names {
  const { identity, api } = useLocal();
  const [known, remember] = useOwnStorage('names', none);
  const { data, isPending } = useQuery(
    {
      queryKey: ['names'],
      queryFn: api.names,
      staleTime: 60_000,
      retry: false,
    },
    useQueries(),
  );
  useEffect(() => {
    if (data !== undefined) remember(data);
  }, [data, remember]);
  const nameOf = useCallback(
    (person: string) =>
      person === identity.person.id ? identity.person.name : ((data ?? known)[person] ?? null),
    [identity, data, known],
  );
  return { nameOf, isSettled: !isPending };
}
