'use client';

import { Button } from '@mantine/core';
import { useEffect } from 'react';
import { useLocal } from '@/local/local-store';
import { useExportRecord } from '@/local/record';
import { forgetRead } from '@/local/store';
import { useSaveState } from '@/local/use-logs';
import { useWhoIsHere } from '@/local/who-is-here';
import { GateLayout } from './gate-layout';
import { useSignOut } from './use-sign-out';

/** For whoever was removed from the firm: what was read is gone from the device; what they entered can be handed over. */
export function LockedOut() {
  const { identity, store } = useLocal();
  const { unsent, unsentWords } = useSaveState();
  const exportRecord = useExportRecord();
  const signOut = useSignOut();
  const { switchTo } = useWhoIsHere();
  useEffect(() => void forgetRead(store), [store]);
  return (
    <GateLayout title={`You no longer belong to ${identity.firm.name}`}>
      <p>Its jobs were removed from this device.</p>
      {unsent > 0 && (
        <>
          <p>
            {unsentWords} of yours did not reach the server. Save {unsent === 1 ? 'it' : 'them'} as a file and
            hand it to the owner, who can import it. Signing out deletes {unsent === 1 ? 'it' : 'them'} here.
          </p>
          <Button onClick={() => exportRecord('unsent')}>Save {unsentWords}</Button>
        </>
      )}
      {identity.firms.map(({ id, name }) => (
        <Button key={id} variant="default" onClick={() => switchTo(id)}>
          Go to {name}
        </Button>
      ))}
      <Button variant="default" onClick={signOut}>
        {unsent > 0 ? 'Sign out and delete' : 'Sign out'}
      </Button>
    </GateLayout>
  );
}
