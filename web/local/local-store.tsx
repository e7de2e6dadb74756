'use client';

import { useWindowEvent } from '@mantine/hooks';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { createContext, type ReactNode, useContext, useEffect, useMemo, useRef, useState } from 'react';
import { runOutbox } from './outbox';

const Wake = createContext<() => void>(() => {});

/** Wakes the outbox after something was kept. */
export const useWakeOutbox = (): (() => void) => useContext(Wake);

/** Everything below can read logs and keep entries; the outbox runs as long as it is shown. */
export function LocalStore({ children }: { children: ReactNode }) {
  const [queries] = useState(
    () => new QueryClient({ defaultOptions: { queries: { retry: 1, networkMode: 'always' } } }),
  );
  const outbox = useRef<ReturnType<typeof runOutbox> | null>(null);
  useEffect(() => {
    const running = runOutbox(queries);
    outbox.current = running;
    return running.end;
  }, [queries]);
  const wake = useMemo(() => () => outbox.current?.wake(), []);
  useWindowEvent('online', wake);
  return (
    <QueryClientProvider client={queries}>
      <Wake value={wake}>{children}</Wake>
    </QueryClientProvider>
  );
}
