import type { Metadata } from 'next';
import { Suspense } from 'react';
import { NewPasswordScreen } from '@/features/sign-in/new-password-screen';

export const metadata: Metadata = { title: 'A new password' };

export default function Page() {
  return (
    <Suspense>
      <NewPasswordScreen />
    </Suspense>
  );
}
