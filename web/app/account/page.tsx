import type { Metadata } from 'next';
import { Suspense } from 'react';
import { AccountScreen } from '@/features/people/account-screen';

export const metadata: Metadata = { title: 'Your account' };

export default function Page() {
  return (
    <Suspense>
      <AccountScreen />
    </Suspense>
  );
}
