import type { Metadata } from 'next';
import { BenchScreen } from '@/features/bench/bench-screen';

export const metadata: Metadata = { title: 'Bench' };

export default function BenchPage() {
  return <BenchScreen />;
}
