import type { Metadata } from 'next';
import { Suspense } from 'react';
import { FirstRunScreen } from '@/features/sign-in/first-run-screen';

export const metadata: Metadata = { title: 'Your firm' };

export default function Page() {
  return (
    <Suspense>
      <FirstRunScreen />
    </Suspense>
  );
}
