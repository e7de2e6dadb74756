'use client';

import { useRouter, useSearchParams } from 'next/navigation';
import { post } from '@/local/api';
import { CredentialsForm } from '@/shell/credentials-form';
import { GateLayout } from '@/shell/gate-layout';

/** Where the link of the mail leads. */
export function NewPasswordScreen() {
  const token = useSearchParams().get('token') ?? '';
  const router = useRouter();
  return (
    <GateLayout title="A new password">
      <p>Every device that is signed in with the old one is signed out.</p>
      <CredentialsForm
        ask={['newPassword']}
        button="Set it"
        onSubmit={async ({ newPassword }) => {
          await post('/api/password-reset/new', { token, password: newPassword });
          router.replace('/sign-in');
        }}
      />
    </GateLayout>
  );
}
