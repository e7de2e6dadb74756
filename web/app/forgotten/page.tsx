import type { Metadata } from 'next';
import { Suspense } from 'react';
import { ForgottenScreen } from '@/features/sign-in/forgotten-screen';

export const metadata: Metadata = { title: 'A new password' };

export default function Page() {
  return (
    <Suspense>
      <ForgottenScreen />
    </Suspense>
  );
}
