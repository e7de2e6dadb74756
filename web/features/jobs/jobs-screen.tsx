'use client';

import { counted } from '@fair-plug/core/words/counted.ts';
import { Button, TextInput } from '@mantine/core';
import { useDisclosure } from '@mantine/hooks';
import Link from 'next/link';
import { useState } from 'react';
import { timeIn } from '@/components/house-time';
import { Loading } from '@/components/loading';
import { Page } from '@/components/page';
import { UrgencyMark } from '@/components/urgency-mark';
import type { JobSummary } from '@/contract/answers';
import { useJobs } from '@/local/use-jobs';
import { noAddress } from '@/shell/job-head';
import classes from './jobs-screen.module.css';
import { NewJob } from './new-job';
import { OpenFile } from './open-file';

/** The jobs of the firm, the one read last first. */
export function JobsScreen() {
  const loaded = useJobs();
  const [opened, { open, close }] = useDisclosure(false);
  return (
    <Page
      title="Jobs"
      action={
        <div className={classes.actions}>
          <OpenFile />
          <Button onClick={open}>New job</Button>
        </div>
      }
    >
      {loaded.kind === 'loaded' ? (
        <JobList jobs={loaded.jobs} />
      ) : (
        <Loading error={loaded.kind === 'failed' ? loaded.error : undefined} />
      )}
      <NewJob opened={opened} onClose={close} />
    </Page>
  );
}

function JobList({ jobs }: { readonly jobs: readonly JobSummary[] }) {
  const [sought, setSought] = useState('');
  if (jobs.length === 0)
    return <p>No job yet. Begin one with the address of the house and its rooms in the order of the walk.</p>;
  const found = jobs.filter((job) => holds(job, sought));
  return (
    <>
      {jobs.length > fewJobs && (
        <TextInput
          mb="md"
          aria-label="Search the jobs"
          placeholder="Search: address, year, what is noted"
          value={sought}
          onChange={({ currentTarget }) => setSought(currentTarget.value)}
        />
      )}
      {found.length === 0 && <p role="status">No job has all of these words.</p>}
      <ul className={classes.jobs}>
        {found.map((job) => (
          <li key={job.id} className={classes.job}>
            <Link prefetch={false} href={`/walk?job=${job.id}`} className={classes.address}>
              {job.address ?? noAddress}
            </Link>
            <p className={classes.about}>
              {[job.yearBuilt, job.about].filter((part) => part !== null).join(' · ')}
            </p>
            <p className={classes.progress}>{progressWords(job)}</p>
            <p className={classes.findings}>
              <FoundIn job={job} />
              {job.tested > 0 && (
                <Link prefetch={false} href={`/report?job=${job.id}`}>
                  Report
                </Link>
              )}
            </p>
          </li>
        ))}
      </ul>
    </>
  );
}

/** How pressing its findings are, and how many of them wait for a decision. */
function FoundIn({ job: { findings, tested } }: { readonly job: JobSummary }) {
  if (tested === 0) return null;
  if (findings === null) return <span>Being assessed</span>;
  const { urgency, reported, toDecide } = findings;
  return (
    <>
      {urgency !== null && <UrgencyMark urgency={urgency} />}
      <span>
        {reported === 0 ? 'No findings' : counted(reported, 'finding', 'findings')}
        {toDecide > 0 && `, ${toDecide} to decide`}
      </span>
    </>
  );
}

/** So many are seen at a glance. */
const fewJobs = 5;

/** True where every word is in what the line says. */
const holds = ({ address, about, yearBuilt }: JobSummary, sought: string): boolean => {
  const described = `${address ?? ''} ${about ?? ''} ${yearBuilt ?? ''}`.toLowerCase();
  return sought
    .toLowerCase()
    .split(/\s+/)
    .every((word) => described.includes(word));
};

function progressWords({ tested, receptacles, lastReadAt, timeZone }: JobSummary): string {
  if (lastReadAt === null) return 'Not begun';
  return `${tested} of ${receptacles} read · ${timeIn(timeZone)(lastReadAt, 'D MMM YYYY')}`;
}
