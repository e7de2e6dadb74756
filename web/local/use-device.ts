import { useQuery } from '@tanstack/react-query';
import { useLocal } from './local-store';
import { useQueries } from './queries';
import { deviceId } from './store';

/** This browser's id; null until it was read. */
export function useDevice(): string | null {
  const { store } = useLocal();
  const { data } = useQuery(
    {
      queryKey: ['device'],
      queryFn: () => deviceId(store),
      staleTime: Number.POSITIVE_INFINITY,
    },
    useQueries(),
  );
  return data ?? null;
}
