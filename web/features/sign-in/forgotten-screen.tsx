'use client';

import { Anchor } from '@mantine/core';
import Link from 'next/link';
import { useState } from 'react';
import { post } from '@/local/api';
import { CredentialsForm } from '@/shell/credentials-form';
import { GateLayout } from '@/shell/gate-layout';

export function ForgottenScreen() {
  const [asked, setAsked] = useState(false);
  return (
    <GateLayout title="A new password">
      {asked ? (
        <p role="status">
          If somebody signs in with this address, a link is on its way. It is good for an hour.
        </p>
      ) : (
        <CredentialsForm
          ask={['email']}
          button="Send a link"
          onSubmit={async (values) => {
            await post('/api/password-reset', values);
            setAsked(true);
          }}
        />
      )}
      <Anchor component={Link} href="/sign-in">
        To the sign-in
      </Anchor>
    </GateLayout>
  );
}
