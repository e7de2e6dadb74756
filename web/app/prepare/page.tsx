import type { Metadata } from 'next';
import { Suspense } from 'react';
import { PrepareScreen } from '@/features/prepare/prepare-screen';

export const metadata: Metadata = { title: 'Prepare' };

export default function PreparePage() {
  return (
    <Suspense>
      <PrepareScreen />
    </Suspense>
  );
}
