'use client';

import { Anchor } from '@mantine/core';
import Link from 'next/link';
import { useRouter, useSearchParams } from 'next/navigation';
import { useEffect, useState } from 'react';
import { type Start, startAnswer } from '@/contract/answers';
import { ask, post } from '@/local/api';
import { isSigningOut } from '@/local/signing-out';
import { useWhoIsHere } from '@/local/who-is-here';
import { AskingButton } from '@/shell/asking';
import { CredentialsForm } from '@/shell/credentials-form';
import { GateLayout } from '@/shell/gate-layout';
import classes from './sign-in-screen.module.css';
import { wayOn } from './way-on';

export function SignInScreen() {
  const { here, askAgain } = useWhoIsHere();
  const router = useRouter();
  const to = wayOn(useSearchParams().get('to'));
  const [start, setStart] = useState<Start | null>(null);
  useEffect(() => {
    ask('/api/start', startAnswer).then(setStart, () => {});
  }, []);
  useEffect(() => {
    if (start?.firstRun) router.replace('/first-run');
  }, [start, router]);
  const goOn = async (): Promise<void> => {
    await askAgain();
    router.replace(to);
  };
  const locked =
    here.kind === 'somebody' && here.standing === 'signed-out' ? here.identity.person.name : null;
  return (
    <GateLayout title="Sign in">
      {isSigningOut() && <p>Signed out on this device. The server is told as soon as it can be reached.</p>}
      {locked !== null && (
        <p>
          What {locked} entered is kept in this browser until they sign in again. Somebody else who signs in
          does not see it.
        </p>
      )}
      <CredentialsForm
        ask={['email', 'password']}
        button="Sign in"
        onSubmit={async (values) => {
          await post('/api/sign-in', values);
          await goOn();
        }}
      />
      <Anchor component={Link} href="/forgotten">
        Forgotten the password?
      </Anchor>
      {start?.demo && (
        <section className={classes.aside} aria-label="Demo">
          <p>This start came with a demo: a firm of one, a 1966 house half walked.</p>
          <AskingButton
            variant="default"
            onPress={async () => {
              await post('/api/demo', {});
              await goOn();
            }}
          >
            Open the demo
          </AskingButton>
        </section>
      )}
    </GateLayout>
  );
}
