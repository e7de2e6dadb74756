'use client';

import { Button } from '@mantine/core';
import { useMutation, useQuery } from '@tanstack/react-query';
import dayjs from 'dayjs';
import { useState } from 'react';
import { Page } from '@/components/page';
import { endSession, fetchSessions, post } from '@/local/api';
import { useLocal } from '@/local/local-store';
import { useQueries } from '@/local/queries';
import { useSaveState } from '@/local/use-logs';
import { CredentialsForm } from '@/shell/credentials-form';
import { useSignOut } from '@/shell/use-sign-out';
import classes from './people.module.css';
import { Records } from './records';

export function AccountScreen() {
  const { identity } = useLocal();
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
      <Devices />
    </Page>
  );
}

/** Where one is signed in, to be ended one by one or all at once. */
function Devices() {
  const { toSend, photosToSend, unsentWords } = useSaveState();
  const isSending = toSend + photosToSend > 0;
  const signOutEverywhere = useSignOut('everywhere');
  const client = useQueries();
  const { data = [] } = useQuery({ queryKey: ['sessions'], queryFn: fetchSessions, retry: false }, client);
  const end = useMutation(
    {
      mutationFn: (id: string) => endSession(id),
      onSettled: () => client.invalidateQueries({ queryKey: ['sessions'] }),
    },
    client,
  );
  return (
    <section className={classes.section} aria-label="Devices">
      <h2>Devices</h2>
      <ul>
        {data.map((one) => (
          <li key={one.id} className={classes.line}>
            <span className={classes.who}>
              {one.browser ?? 'A browser'}
              {one.isHere && <strong>, this one</strong>}
              <br />
              <span className={classes.soft}>
                since {dayjs(one.begunAt).format('D MMM YYYY')}, last used{' '}
                {dayjs(one.usedAt).format('D MMM YYYY')}
              </span>
            </span>
            {!one.isHere && (
              <Button
                size="sm"
                variant="default"
                aria-label={`End the session of ${one.browser ?? 'a browser'}, since ${dayjs(one.begunAt).format('D MMM YYYY')}`}
                onClick={() => end.mutate(one.id)}
              >
                End
              </Button>
            )}
          </li>
        ))}
      </ul>
      {end.isError && <p role="alert">{end.error.message}</p>}
      <p>Lost a phone? End its session, or every one, the one here included.</p>
      {isSending && <p>Not on the server yet: {unsentWords}. Wait a little.</p>}
      <Button variant="default" disabled={isSending} onClick={signOutEverywhere}>
        Sign out everywhere
      </Button>
    </section>
  );
}
