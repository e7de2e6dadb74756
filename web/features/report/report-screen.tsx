'use client';

import { type OwnerLanguage, ownerLanguages, ownerPages, reportOn } from '@fair-plug/core/report';
import { Button, NativeSelect } from '@mantine/core';
import { useDisclosure, useDocumentTitle } from '@mantine/hooks';
import { useSearchParams } from 'next/navigation';
import { useMemo } from 'react';
import { JobFrame } from '@/components/job-frame';
import { JobLoader, type LoadedJob } from '@/components/job-loader';
import { useLocal } from '@/local/local-store';
import { useFirmSettings } from '@/local/use-firm-settings';
import { useJudgement } from '@/local/use-judgement';
import { useSaveState } from '@/local/use-logs';
import { useOwnStorage } from '@/local/use-own-storage';
import { useSay } from '@/local/use-say';
import { PdfButton } from './pdf-button';
import classes from './report-screen.module.css';
import { ReportSheet } from './report-sheet';
import { SaveAs } from './save-as';
import { SignSheet } from './sign-sheet';

export function ReportScreen() {
  return <JobLoader>{(loaded) => <ReportOf {...loaded} />}</JobLoader>;
}

const isLanguage = (value: string | null): value is OwnerLanguage =>
  ownerLanguages.some((language) => language === value);

/** The report as it would be printed now, and what can be done with it. */
function ReportOf({ job, house, entries }: LoadedJob) {
  const { identity } = useLocal();
  const firm = useFirmSettings();
  const { toSend } = useSaveState();
  const say = useSay(job);
  const judgement = useJudgement(job, house);
  const report = useMemo(() => reportOn(house, judgement, firm.practice), [house, judgement, firm.practice]);
  const [chosen, choose] = useOwnStorage<OwnerLanguage>(`owner language ${job}`, 'en');
  const asked = useSearchParams().get('owner');
  const language = isLanguage(asked) ? asked : chosen;
  const [isSigning, signing] = useDisclosure(false);
  useDocumentTitle(`Receptacle inspection, ${house.address}`);
  const open = report.decided.filter(({ number, status }) => number > 0 && status === 'open').length;
  return (
    <JobFrame job={job} house={house} survey={report} judgement={judgement} stage="report">
      <div className={`${classes.tools} screen-only`}>
        <p>
          {open > 0 && `${open} findings are proposed and not yet decided on. `}
          {toSend > 0 &&
            `${toSend} entries are not on the server yet: they are on this page, not in the PDF.`}
        </p>
        <NativeSelect
          size="sm"
          aria-label="Language of the owner’s page"
          value={language}
          data={ownerLanguages.map((value) => ({ value, label: `Owner’s page: ${ownerPages[value].name}` }))}
          onChange={(event) => choose(event.currentTarget.value as OwnerLanguage)}
        />
        {say !== null && (
          <Button variant="default" size="sm" onClick={signing.open}>
            Sign
          </Button>
        )}
        <SaveAs job={job} report={report} entries={entries} />
        <Button variant="default" size="sm" onClick={() => window.print()}>
          Print
        </Button>
        <PdfButton job={job} language={language} />
      </div>
      <ReportSheet report={report} identity={identity} firm={firm} language={language} />
      <SignSheet
        opened={isSigning}
        onClose={signing.close}
        inspector={identity.person.name}
        client={house.client}
        say={say}
      />
    </JobFrame>
  );
}
