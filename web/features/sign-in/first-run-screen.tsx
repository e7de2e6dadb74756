'use client';

import { useRouter } from 'next/navigation';
import { post } from '@/local/api';
import { useWhoIsHere } from '@/local/who-is-here';
import { CredentialsForm } from '@/shell/credentials-form';
import { GateLayout } from '@/shell/gate-layout';

export function FirstRunScreen() {
  const { askAgain } = useWhoIsHere();
  const router = useRouter();
  return (
    <GateLayout title="Your firm">
      <p>
        Nothing is kept here yet. Name your firm and become its owner; others join by a link that you send.
      </p>
      <CredentialsForm
        ask={['firm', 'name', 'email', 'newPassword']}
        button="Begin"
        onSubmit={async ({ firm, name, email, newPassword }) => {
          await post('/api/first-run', { firm, owner: { name, email, password: newPassword } });
          await askAgain();
          router.replace('/');
        }}
      />
    </GateLayout>
  );
}
