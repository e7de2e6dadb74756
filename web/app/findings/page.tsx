import type { Metadata } from 'next';
import { Suspense } from 'react';
import { FindingsScreen } from '@/features/findings/findings-screen';

export const metadata: Metadata = { title: 'Findings' };

export default function FindingsPage() {
  return (
    <Suspense>
      <FindingsScreen />
    </Suspense>
  );
}
