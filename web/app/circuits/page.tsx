import type { Metadata } from 'next';
import { Suspense } from 'react';
import { CircuitsScreen } from '@/features/circuits/circuits-screen';

export const metadata: Metadata = { title: 'Circuits' };

export default function CircuitsPage() {
  return (
    <Suspense>
      <CircuitsScreen />
    </Suspense>
  );
}
