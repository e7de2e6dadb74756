import type { Metadata } from 'next';
import { Suspense } from 'react';
import { MailScreen } from '@/features/sign-in/mail-screen';

export const metadata: Metadata = { title: 'Outgoing mail' };

export default function Page() {
  return (
    <Suspense>
      <MailScreen />
    </Suspense>
  );
}
