import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useLocal } from '../local-store';
import { useQueries } from '../queries';
import type { PhotoBytes } from '../tables';
import { bytesHere } from './kept';

/** Where a photo's bytes are for a picture to show: its address, or why there is none. */
export type PhotoAddress =
  | { readonly kind: 'loading' }
  | { readonly kind: 'here'; readonly address: string }
  /** Nobody sent it yet: it is on the device that took it. */
  | { readonly kind: 'elsewhere' }
  | { readonly kind: 'server-away' };

/** A photo from this device, or else from the server; a small one is kept here from then on. */
export function usePhoto(job: string, hash: string, version: PhotoBytes['version']): PhotoAddress {
  const { store, api } = useLocal();
  const { data, isError } = useQuery(
    {
      queryKey: ['photo', job, hash, version],
      queryFn: async (): Promise<Blob | null> => {
        const kept = await bytesHere(store, job, hash, version);
        const bytes = kept ?? (await api.photo(job, hash, version));
        if (bytes === null) return null;
        if (kept === null && version === 'small')
          await store.photoBytes.put({ log: job, hash, version, bytes }).catch(() => {});
        return new Blob([bytes], { type: 'image/jpeg' });
      },
      // What is not there yet may come.
      refetchInterval: (query) => (query.state.data === null ? 15_000 : false),
      staleTime: Number.POSITIVE_INFINITY,
      gcTime: 60_000,
    },
    useQueries(),
  );
  const [address, setAddress] = useState<string | null>(null);
  useEffect(() => {
    if (!data) return;
    const made = URL.createObjectURL(data);
    setAddress(made);
    return () => {
      setAddress(null);
      URL.revokeObjectURL(made);
    };
  }, [data]);
  if (address !== null) return { kind: 'here', address };
  if (isError) return { kind: 'server-away' };
  return data === null ? { kind: 'elsewhere' } : { kind: 'loading' };
}
