'use client';

import { counted } from '@fair-plug/core/words/counted.ts';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { Page } from '@/components/page';
import { post } from '@/local/api';
import { useLocal } from '@/local/local-store';
import { useSaveState } from '@/local/use-logs';
import { useSignOut } from '@/shell/account-menu';
import { CredentialsForm } from '@/shell/credentials-form';
import classes from './people.module.css';
import { Records } from './records';

export function AccountScreen() {
  const { identity } = useLocal();
  const { toSend } = useSaveState();
  const signOutEverywhere = useSignOut('everywhere');
  const [changed, setChanged] = useState(false);
  return (
    <Page title={identity.person.name} action={null}>
      <section className={classes.section} aria-label="Firms">
        <h2>Firms</h2>
        <ul>
          {identity.firms.map(({ id, name, role }) => (
            <li key={id}>
              {name}, {role}
            </li>
          ))}
        </ul>
      </section>
      <section className={classes.narrow} aria-label="Password">
        <h2>Password</h2>
        {changed ? (
          <p role="status">Changed. Every other device was signed out.</p>
        ) : (
          <CredentialsForm
            ask={['current', 'newPassword']}
            button="Change the password"
            onSubmit={async ({ current, newPassword }) => {
              await post('/api/password', { current, next: newPassword });
              setChanged(true);
            }}
          />
        )}
      </section>
      <Records />
      <section className={classes.narrow} aria-label="Devices">
        <h2>Devices</h2>
        <p>Lost a phone? This ends every session, the one here included.</p>
        {toSend > 0 && (
          <p>{counted(toSend, 'entry is', 'entries are')} not on the server yet; wait a little.</p>
        )}
        <Button variant="default" disabled={toSend > 0} onClick={signOutEverywhere}>
          Sign out everywhere
        </Button>
      </section>
    </Page>
  );
}
