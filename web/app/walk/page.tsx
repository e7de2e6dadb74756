import type { Metadata } from 'next';
import { Suspense } from 'react';
import { WalkScreen } from '@/features/walk/walk-screen';

export const metadata: Metadata = { title: 'Walk' };

export default function WalkPage() {
  return (
    <Suspense>
      <WalkScreen />
    </Suspense>
  );
}
