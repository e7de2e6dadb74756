'use client';

import type { Finding } from '@fair-plug/core/findings';
import { summaryOfFindings, surveyOf } from '@fair-plug/core/report';
import { Button } from '@mantine/core';
import { useDisclosure, useMediaQuery } from '@mantine/hooks';
import Link from 'next/link';
import { useMemo, useRef, useState } from 'react';
import { type Decisions, useDecisions } from '@/components/use-decisions';
import { useKeys } from '@/components/use-keys';
import { usePresses } from '@/components/use-presses';
import { useAssessment } from '@/local/use-assessment';
import { useFindings } from '@/local/use-findings';
import { useFirmSettings } from '@/local/use-firm-settings';
import { useRecorder } from '@/local/use-recorder';
import { JobFrame } from '@/shell/job-frame';
import { JobLoader, type LoadedJob } from '@/shell/job-loader';
import { AddFinding } from './add-finding';
import { FindingDetail } from './finding-detail';
import { FindingList } from './finding-list';
import { FindingPhotos } from './finding-photos';
import classes from './findings.module.css';
import { VanishedList } from './vanished-list';

export function FindingsScreen() {
  return <JobLoader>{(loaded) => <Findings key={loaded.job} {...loaded} />}</JobLoader>;
}

/** The finding that is looked at, by the arrows or a tap; accepted, the next undecided one follows. */
function useCurrentFinding(shown: readonly Finding[], decisions: Decisions | null) {
  const isFirst = usePresses();
  const [chosen, choose] = useState<string | null>(null);
  const current = shown.find(({ key }) => key === chosen) ?? shown[0] ?? null;
  const step = (by: 1 | -1) => () => {
    const at = shown.findIndex(({ key }) => key === current?.key);
    const next = shown[at + by];
    if (next !== undefined) choose(next.key);
  };
  const acceptAndGoOn = (): void => {
    if (current === null || decisions === null) return;
    decisions.accept(current);
    const rest = shown.slice(shown.indexOf(current) + 1).find(({ status }) => status === 'open');
    choose(rest?.key ?? current.key);
  };
  useKeys([
    ['ArrowDown', step(1)],
    ['ArrowUp', step(-1)],
    ['A', (event) => isFirst('A', event.timeStamp) && acceptAndGoOn()],
  ]);
  return { current, choose, acceptAndGoOn };
}

const ListHead = ({ open, isFinal }: { readonly open: number; readonly isFinal: boolean }) => (
  <header className={classes.head}>
    <h1>Findings</h1>
    <p className={classes.soft}>
      {open === 0
        ? 'Nothing is left to decide.'
        : `${open} to decide. Until then each stands in the report as proposed.`}
      {!isFinal && ' The readings are still being judged.'}
    </p>
  </header>
);

const NothingFound = ({ job }: { readonly job: string }) => (
  <p className={classes.empty}>
    Nothing was read or seen that asks for a finding.{' '}
    <Link prefetch={false} href={`/walk?job=${job}`}>
      Walk on
    </Link>
    , or add one by hand.
  </p>
);

const keysOf = (findings: readonly Finding[]): readonly string[] => findings.map(({ key }) => key);

/** `mayChange`: what lamps alone propose may yet become another finding, and is not accepted unseen. */
const ListActions = (props: {
  readonly toDecide: readonly Finding[];
  readonly decisions: Decisions;
  readonly mayChange: boolean;
  readonly onAdd: () => void;
}) => (
  <div className={classes.actions}>
    <Button variant="default" size="sm" onClick={props.onAdd}>
      Add a finding
    </Button>
    {props.toDecide.length > 1 && (
      <Button
        variant="default"
        size="sm"
        disabled={props.mayChange}
        onClick={() => props.decisions.acceptAll(props.toDecide)}
      >
        Accept all {props.toDecide.length}
      </Button>
    )}
  </div>
);

/** What goes into the report: proposed by the engine, decided by the inspector. */
function Findings({ job, house, isWhole }: LoadedJob) {
  const assessed = useAssessment(job, house);
  const { assessment } = assessed;
  const findings = useFindings(assessment);
  const { practice } = useFirmSettings();
  const survey = useMemo(() => surveyOf(assessment), [assessment]);
  const record = useRecorder(job);
  const decisions = useDecisions(record);
  const [isAdding, adding] = useDisclosure(false);
  const detail = useRef<HTMLDivElement>(null);
  const isNarrow = useMediaQuery('(max-width: 60em)', false);
  const shown = findings.filter(({ into }) => into === null);
  const { current, choose, acceptAndGoOn } = useCurrentFinding(shown, decisions);
  const take = (key: string): void => {
    choose(key);
    // Where the list stands above it, what was tapped is brought in sight.
    if (isNarrow) requestAnimationFrame(() => detail.current?.scrollIntoView());
  };
  const toDecide = shown.filter(({ status }) => status === 'open');
  return (
    <JobFrame
      job={job}
      house={house}
      isWhole={isWhole}
      survey={survey}
      assessed={assessed}
      stage="findings"
      counted={useMemo(() => summaryOfFindings(findings), [findings])}
    >
      <div className={classes.screen}>
        <nav className={classes.side} aria-label="Findings">
          <ListHead open={toDecide.length} isFinal={assessed.isFinal} />
          {shown.length === 0 ? (
            <NothingFound job={job} />
          ) : (
            <FindingList
              findings={shown}
              current={current?.key ?? null}
              onTake={take}
              onMove={decisions && ((move) => decisions.move(keysOf(shown), move))}
            />
          )}
          <VanishedList job={job} />
          {decisions !== null && (
            <ListActions
              toDecide={toDecide}
              decisions={decisions}
              mayChange={!assessed.isFinal && !assessed.hasFailed}
              onAdd={adding.open}
            />
          )}
        </nav>
        <div ref={detail}>
          {current !== null && (
            <FindingDetail
              key={current.key}
              job={job}
              finding={current}
              others={shown.filter((one: Finding) => one.key !== current.key)}
              parts={findings.filter(({ into }) => into === current.key)}
              practice={practice}
              decisions={decisions}
              onAccept={acceptAndGoOn}
              photos={<FindingPhotos job={job} house={house} finding={current} record={record} />}
            />
          )}
        </div>
      </div>
      <AddFinding job={job} opened={isAdding} onClose={adding.close} house={house} decisions={decisions} />
    </JobFrame>
  );
}
