import type { Metadata } from 'next';
import { Suspense } from 'react';
import { ReportScreen } from '@/features/report/report-screen';

export const metadata: Metadata = { title: 'Report' };

export default function ReportPage() {
  return (
    <Suspense>
      <ReportScreen />
    </Suspense>
  );
}
