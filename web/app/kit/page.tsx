import type { Metadata } from 'next';
import { KitScreen } from '@/features/kit/kit-screen';

export const metadata: Metadata = { title: 'Kit' };

export default function KitPage() {
  return <KitScreen />;
}
