'use client';

import { type House, readersOf, type Tester, usualFirm } from '@fair-plug/core/log';
import { counted, type OwnerLanguage, ownerLanguages, ownerTexts, reportOn } from '@fair-plug/core/words';
import { Button, NativeSelect } from '@mantine/core';
import { useDisclosure, useDocumentTitle } from '@mantine/hooks';
import { useSearchParams } from 'next/navigation';
import { useDeferredValue, useMemo } from 'react';
import { Loading } from '@/components/loading';
import { PrintedJob } from '@/components/photos/printed-photos';
import { useWords } from '@/components/region-words';
import { useLocal } from '@/local/local-store';
import { useAssessment } from '@/local/use-assessment';
import { useIsCurrent, useKit, useSaveState } from '@/local/use-logs';
import { useNames } from '@/local/use-names';
import { useOwnStorage } from '@/local/use-own-storage';
import { useRecorder } from '@/local/use-recorder';
import { JobFrame } from '@/shell/job-frame';
import { noAddress } from '@/shell/job-head';
import { JobLoader, type LoadedJob } from '@/shell/job-loader';
import { PdfButton } from './pdf-button';
import classes from './report-screen.module.css';
import { ReportSheet } from './report-sheet';
import { SaveAs } from './save-as';
import { SignSheet } from './sign-sheet';

export function ReportScreen() {
  return <JobLoader>{(loaded) => <ReportOf {...loaded} />}</JobLoader>;
}

const noTesters: readonly Tester[] = [];

const isLanguage = (value: string | null): value is OwnerLanguage =>
  ownerLanguages.some((language) => language === value);

/** What may still change the report by itself, and who prints it is to know of. */
function unsettledWords(isWhole: boolean, isFinal: boolean): string | null {
  if (!isWhole) return 'part of this job is still on the server. What is missing here may be a finding.';
  if (!isFinal) return 'the readings are still being judged.';
  return null;
}

/** Those who read in the house, by name; where nobody did, whoever looks at it. */
function useInspectors(house: House, looking: string, nameOf: ReturnType<typeof useNames>['nameOf']): string {
  return useMemo(() => {
    const readers = readersOf(house);
    const names = (readers.length === 0 ? [looking] : readers).map(
      (id) => nameOf(id) ?? house.authors?.[id] ?? null,
    );
    return [...new Set(names.map((name) => name ?? 'a colleague'))].join(', ');
  }, [house, looking, nameOf]);
}

/** The report as it would be printed now, and what can be done with it. */
function ReportOf({ job, house, entries, isWhole }: LoadedJob) {
  const words = useWords();
  const { identity } = useLocal();
  const kit = useKit();
  const firm = kit.kind === 'loaded' ? kit.firm : usualFirm;
  const testers = kit.kind === 'loaded' ? kit.testers : noTesters;
  const { unsent, unsentWords } = useSaveState();
  const record = useRecorder(job);
  const assessed = useAssessment(job, house);
  const { assessment, isFinal } = assessed;
  const report = useMemo(() => reportOn(assessment, firm.practice), [assessment, firm.practice]);
  // Drawing hundreds of receptacles is left off as soon as there is more to draw.
  const drawn = useDeferredValue(report, null);
  const isCurrent = useIsCurrent();
  const { nameOf, isSettled } = useNames();
  const inspectors = useInspectors(house, identity.person.id, nameOf);
  const unsettled = unsettledWords(isWhole, isFinal);
  const [chosen, choose] = useOwnStorage<OwnerLanguage>(`owner language ${job}`, 'en');
  const asked = useSearchParams().get('owner');
  const language = isLanguage(asked) ? asked : chosen;
  const [isSigning, signing] = useDisclosure(false);
  useDocumentTitle(words.screens.report.documentTitle(house.address ?? noAddress));
  const open = report.decided.filter(({ number, status }) => number > 0 && status === 'open').length;
  return (
    <JobFrame job={job} house={house} isWhole={isWhole} survey={report} assessed={assessed} stage="report">
      <div className={`${classes.tools} screen-only`}>
        <p role="status">
          {unsettled !== null && `Not complete: ${unsettled} `}
          {open > 0 && `${counted(open, 'finding is', 'findings are')} proposed and not yet decided on. `}
          {unsent > 0 && `Not on the server yet: ${unsentWords}, on this page and not in the PDF.`}
        </p>
        <NativeSelect
          size="sm"
          aria-label="Language of the owner’s page"
          value={language}
          data={ownerLanguages.map((value) => ({
            value,
            label: `Owner’s page: ${ownerTexts(value, house.region).name}`,
          }))}
          onChange={(event) => choose(event.currentTarget.value as OwnerLanguage)}
        />
        {record !== null && (
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
      <div
        data-report={drawn === report && unsettled === null && isCurrent && isSettled ? 'ready' : 'not-yet'}
        data-of={`${job} ${language}`}
      >
        {drawn === null ? (
          <Loading />
        ) : (
          <PrintedJob value={job}>
            <ReportSheet
              report={drawn}
              firmName={identity.firm.name}
              inspectors={inspectors}
              firm={firm}
              testers={testers}
              language={language}
              unsettled={unsettled}
            />
          </PrintedJob>
        )}
      </div>
      <SignSheet
        opened={isSigning}
        onClose={signing.close}
        inspector={identity.person.name}
        client={house.client}
        record={record}
      />
    </JobFrame>
  );
}
