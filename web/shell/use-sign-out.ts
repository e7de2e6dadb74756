'use client';

import { useLocal } from '@/local/local-store';
import { finishSignOut, rememberSignOut, type SignOutWay } from '@/local/signing-out';
import { useWhoIsHere } from '@/local/who-is-here';

/** Ends the session, now or once the server can be reached, and deletes what is kept in this browser for it. */
export function useSignOut(way: SignOutWay = 'here'): () => Promise<void> {
  const { store, sync } = useLocal();
  const { leave } = useWhoIsHere();
  return async () => {
    sync.end();
    rememberSignOut(way);
    await store.delete();
    leave();
    await finishSignOut();
  };
}
