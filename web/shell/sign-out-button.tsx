'use client';

import { Button } from '@mantine/core';
import { finishSignOut, rememberSignOut } from '@/local/signing-out';
import { useWhoIsHere } from '@/local/who-is-here';

/** Signs out of the server where nothing is kept in this browser. */
export function SignOutButton() {
  const { leave } = useWhoIsHere();
  const signOut = async (): Promise<void> => {
    rememberSignOut('here');
    leave();
    await finishSignOut();
  };
  return (
    <Button variant="default" onClick={signOut}>
      Sign out
    </Button>
  );
}
