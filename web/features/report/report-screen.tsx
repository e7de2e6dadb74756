'use client';

import { type House, readersOf, type Tester, usualFirm } from '@fair-plug/core/log';
import { summaryOfFindings } from '@fair-plug/core/report/finding-summary.ts';
import { counted, type OwnerLanguage, ownerLanguages, ownerTexts, reportOn } from '@fair-plug/core/words';
import { Button, NativeSelect } from '@mantine/core';
import { useDisclosure, useDocumentTitle } from '@mantine/hooks';
import { useSearchParams } from 'next/navigation';
import { useDeferredValue, useMemo } from 'react';
import { Loading } from '@/components/loading';
import { PrintedJob } from '@/components/photos/printed-photos';
import { useWords } from '@/components/region-words';
import { useLocal } from '@/local/local-store';
import { useAfterPaint } from '@/local/use-after-paint';
import { type Assessed, useAssessment } from '@/local/use-assessment';
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
function unsettledWords(isWhole: boolean, { isFinal, hasFailed }: Assessed): string | null {
  if (!isWhole) return 'part of this job is still on the server. What is missing here may be a finding.';
  if (hasFailed) return 'the readings could not be judged.';
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

/** Of the owner's page: as the address asks for it, else as it was chosen last for this job. */
function useOwnersLanguage(job: string) {
  const [chosen, choose] = useOwnStorage<OwnerLanguage>(`owner language ${job}`, 'en');
  const asked = useSearchParams().get('owner');
  return [isLanguage(asked) ? asked : chosen, choose] as const;
}

interface LanguageSelectProps {
  readonly region: House['region'];
  readonly language: OwnerLanguage;
  readonly onChoose: (language: OwnerLanguage) => void;
}

const LanguageSelect = ({ region, language, onChoose }: LanguageSelectProps) => (
  <NativeSelect
    size="sm"
    aria-label="Language of the owner’s page"
    value={language}
    data={ownerLanguages.map((value) => ({
      value,
      label: `Owner’s page: ${ownerTexts(value, region).name}`,
    }))}
    onChange={(event) => onChoose(event.currentTarget.value as OwnerLanguage)}
  />
);

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
  // Drawing hundreds of receptacles anew is left off as soon as there is more to draw; the first time it is not, or an
  // engine that tells often what it has found by then would keep the report away until it has ended.
  const assessment = useDeferredValue(assessed.assessment);
  const isDrawn = useAfterPaint();
  const isLatest = assessment === assessed.assessment;
  const report = useMemo(() => reportOn(assessment, firm.practice), [assessment, firm.practice]);
  const figures = useMemo(() => summaryOfFindings(report.decided), [report]);
  const isCurrent = useIsCurrent();
  const { nameOf, isSettled } = useNames();
  const inspectors = useInspectors(house, identity.person.id, nameOf);
  const unsettled = unsettledWords(isWhole, { ...assessed, isFinal: assessed.isFinal && isLatest });
  const [language, choose] = useOwnersLanguage(job);
  const [isSigning, signing] = useDisclosure(false);
  useDocumentTitle(words.screens.report.documentTitle(house.address ?? noAddress));
  return (
    <JobFrame
      job={job}
      house={house}
      isWhole={isWhole}
      survey={report}
      assessed={assessed}
      stage="report"
      counted={figures}
    >
      <div className={`${classes.tools} screen-only`}>
        <p role="status">
          {unsettled !== null && `Not complete: ${unsettled} `}
          {figures.toDecide > 0 &&
            `${counted(figures.toDecide, 'finding is', 'findings are')} proposed and not yet decided on. `}
          {unsent > 0 && `Not on the server yet: ${unsentWords}, on this page and not in the PDF.`}
        </p>
        <LanguageSelect region={house.region} language={language} onChoose={choose} />
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
        data-report={
          isDrawn && isLatest && unsettled === null && isCurrent && isSettled ? 'ready' : 'not-yet'
        }
        data-of={`${job} ${language}`}
      >
        {!isDrawn ? (
          <Loading />
        ) : (
          <PrintedJob value={job}>
            <ReportSheet
              report={report}
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
