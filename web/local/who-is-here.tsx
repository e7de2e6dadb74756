'use client';

import { useWindowEvent } from '@mantine/hooks';
import {
  createContext,
  type ReactNode,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
} from 'react';
import type { Session } from '@/contract/answers';
import { fetchSession, RequestFailed, sessionLost } from './api';
import {
  forgetIdentity,
  forgetSmallThings,
  type Identity,
  identityKey,
  rememberedIdentity,
  rememberIdentity,
} from './identity';
import { forgetReadOfOthers } from './other-stores';
import { isSigningOut } from './signing-out';

/** How the server stands to who works here: it knows them, it wants them to sign in again, or they were removed. */
export type Standing = 'known' | 'signed-out' | 'removed';

export type Here =
  | { readonly kind: 'finding-out' }
  /** `hasLeft`: whoever worked here signed out; where they were is nobody else's business. */
  | { readonly kind: 'nobody'; readonly hasLeft?: boolean }
  /** Nobody is remembered, and the server does not answer. */
  | { readonly kind: 'unreachable'; readonly error: RequestFailed }
  | { readonly kind: 'without-firm'; readonly name: string }
  | { readonly kind: 'somebody'; readonly identity: Identity; readonly standing: Standing };

export interface WhoIsHere {
  readonly here: Here;
  /** Asks the server again who has signed in. */
  readonly askAgain: () => Promise<void>;
  readonly switchTo: (firm: string) => void;
  /** Forgets who worked here. */
  readonly leave: () => void;
}

const Context = createContext<WhoIsHere | null>(null);

export function useWhoIsHere(): WhoIsHere {
  const value = useContext(Context);
  if (value === null) throw new Error('outside of WhoIsHereProvider');
  return value;
}

/** What is known of who works here, once the server has answered. */
function hereFrom({ person: { id, name }, firms }: Session, before: Identity | null): Here {
  const wanted = new URLSearchParams(location.search).get('firm');
  const isSame = before?.person.id === id;
  const firm =
    firms.find((one) => one.id === wanted) ??
    (isSame ? firms.find((one) => one.id === before.firm.id) : undefined);
  // Whoever was removed from the firm that they work for keeps what is kept here; another firm is chosen by hand.
  if (firm === undefined && isSame) {
    const identity: Identity = { ...before, firms, isRemoved: true };
    rememberIdentity(identity);
    return { kind: 'somebody', identity, standing: 'removed' };
  }
  const chosen = firm ?? firms[0];
  if (chosen === undefined) return { kind: 'without-firm', name };
  const identity: Identity = { person: { id, name }, firm: chosen, firms };
  rememberIdentity(identity);
  return { kind: 'somebody', identity, standing: 'known' };
}

function hereAfter(error: RequestFailed, before: Identity | null): Here {
  // Signed out here, whatever the server knows.
  if (isSigningOut()) return { kind: 'nobody', hasLeft: true };
  const isOut = error.code === 'signed-out';
  if (before === null) return isOut ? { kind: 'nobody' } : { kind: 'unreachable', error };
  if (before.isRemoved) return { kind: 'somebody', identity: before, standing: 'removed' };
  return { kind: 'somebody', identity: before, standing: isOut ? 'signed-out' : 'known' };
}

/** What was counted while somebody left may have been remembered after they were forgotten: it goes once nothing of theirs is drawn. */
function useForgetting(here: Here): void {
  const worked = useRef<Identity | null>(null);
  useEffect(() => {
    if (here.kind === 'somebody') worked.current = here.identity;
    if (here.kind !== 'nobody' || here.hasLeft !== true || worked.current === null) return;
    forgetSmallThings(worked.current);
    worked.current = null;
  }, [here]);
}

export function WhoIsHereProvider({ children }: { readonly children: ReactNode }) {
  const [here, setHere] = useState<Here>({ kind: 'finding-out' });
  /** The answer to this very question is no news that the session was lost. */
  const isAsking = useRef(false);
  /** The question that was asked last: an answer to an earlier one is older than that one's. */
  const latest = useRef(0);
  const askAgain = useCallback(async (): Promise<void> => {
    isAsking.current = true;
    latest.current += 1;
    const mine = latest.current;
    const isLatest = (): boolean => mine === latest.current;
    const before = rememberedIdentity();
    if (before !== null)
      setHere((now) =>
        now.kind === 'finding-out'
          ? { kind: 'somebody', identity: before, standing: before.isRemoved ? 'removed' : 'known' }
          : now,
      );
    try {
      const session = await fetchSession();
      if (before !== null && before.person.id !== session.person.id)
        await forgetReadOfOthers(session.person.id);
      if (isLatest()) setHere(hereFrom(session, before));
    } catch (error) {
      if (!(error instanceof RequestFailed)) throw error;
      if (isLatest()) setHere(hereAfter(error, before));
    } finally {
      if (isLatest()) isAsking.current = false;
    }
  }, []);
  useEffect(() => void askAgain(), [askAgain]);
  useForgetting(here);
  useEffect(() => {
    if (here.kind !== 'unreachable' && !(here.kind === 'nobody' && isSigningOut())) return;
    const timer = setTimeout(askAgain, 4000);
    return () => clearTimeout(timer);
  }, [here, askAgain]);
  const isKnown = here.kind === 'somebody' && here.standing === 'known';
  useWindowEvent(sessionLost, () => {
    if (isKnown && !isAsking.current) void askAgain();
  });
  useWindowEvent('online', () => void askAgain());
  // Signed out in another tab is signed out in this one.
  useWindowEvent('storage', ({ key, newValue }) => {
    if (key === identityKey && newValue === null) setHere({ kind: 'nobody', hasLeft: true });
  });
  const value = useMemo<WhoIsHere>(
    () => ({
      here,
      askAgain,
      switchTo: (firm) => {
        if (here.kind !== 'somebody') return;
        const chosen = here.identity.firms.find(({ id }) => id === firm);
        if (chosen === undefined) return;
        const { person, firms } = here.identity;
        const identity: Identity = { person, firm: chosen, firms };
        rememberIdentity(identity);
        setHere({ kind: 'somebody', identity, standing: 'known' });
      },
      leave: () => {
        if (here.kind === 'somebody') forgetIdentity(here.identity);
        setHere({ kind: 'nobody', hasLeft: true });
      },
    }),
    [here, askAgain],
  );
  return <Context value={value}>{children}</Context>;
}
