import type { Metadata } from 'next';
import { JobsScreen } from '@/features/jobs/jobs-screen';

export const metadata: Metadata = { title: 'Jobs' };

export default function JobsPage() {
  return <JobsScreen />;
}
