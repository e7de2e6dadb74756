import type { Metadata } from 'next';
import { Suspense } from 'react';
import { JoinScreen } from '@/features/sign-in/join-screen';

export const metadata: Metadata = { title: 'Invitation' };

export default function Page() {
  return (
    <Suspense>
      <JoinScreen />
    </Suspense>
  );
}
