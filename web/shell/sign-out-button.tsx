'use client';

import { Button } from '@mantine/core';
import { useRouter } from 'next/navigation';
import { post } from '@/local/api';
import { useWhoIsHere } from '@/local/who-is-here';

/** Signs out of the server where nothing is kept in this browser. */
export function SignOutButton() {
  const { leave } = useWhoIsHere();
  const router = useRouter();
  const signOut = async (): Promise<void> => {
    await post('/api/sign-out', {});
    leave();
    router.replace('/sign-in');
  };
  return (
    <Button variant="default" onClick={signOut}>
      Sign out
    </Button>
  );
}
