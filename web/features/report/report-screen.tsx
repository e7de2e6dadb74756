'use client';

import { reportOn } from '@fair-plug/core/report';
import { Button } from '@mantine/core';
import { useDocumentTitle } from '@mantine/hooks';
import { useMemo } from 'react';
import { JobFrame } from '@/components/job-frame';
import { JobLoader, type LoadedJob } from '@/components/job-loader';
import { useLocal } from '@/local/local-store';
import { useJudgement } from '@/local/use-judgement';
import { useSaveState } from '@/local/use-logs';
import classes from './report-screen.module.css';
import { ReportSheet } from './report-sheet';

export function ReportScreen() {
  return <JobLoader>{(loaded) => <ReportOf {...loaded} />}</JobLoader>;
}

function ReportOf({ job, house }: LoadedJob) {
  const { identity, api } = useLocal();
  const { toSend } = useSaveState();
  const judgement = useJudgement(job, house);
  const report = useMemo(() => reportOn(house, judgement), [house, judgement]);
  useDocumentTitle(`Receptacle inspection, ${house.address}`);
  return (
    <JobFrame job={job} house={house} report={report} stage="report">
      <div className={`${classes.tools} screen-only`}>
        {toSend > 0 && (
          <p>{toSend} entries are not on the server yet: they are on this page, not in the PDF.</p>
        )}
        <Button variant="default" size="sm" onClick={() => window.print()}>
          Print
        </Button>
        <Button size="sm" component="a" href={api.reportAddress(job)} download>
          PDF
        </Button>
      </div>
      <ReportSheet report={report} identity={identity} />
    </JobFrame>
  );
}
