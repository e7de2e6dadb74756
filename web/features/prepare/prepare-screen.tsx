'use client';

import { surveyOf } from '@fair-plug/core/report';
import { Button } from '@mantine/core';
import Link from 'next/link';
import { useMemo } from 'react';
import { BlindSpots } from '@/components/blind-spots';
import { FunctionChecks } from '@/components/function-checks';
import { useWords } from '@/components/region-words';
import { whenUsed } from '@/components/when-used';
import { useAssessment } from '@/local/use-assessment';
import { useBag } from '@/local/use-bag';
import { useRecorder } from '@/local/use-recorder';
import { JobFrame } from '@/shell/job-frame';
import { JobLoader, type LoadedJob } from '@/shell/job-loader';
import { AsFoundSection } from './as-found-section';
import { ExpectationsSection } from './expectations-section';
import { PlanSection } from './plan-section';
import classes from './prepare.module.css';
import { PropertySection } from './property-section';
import { RoomsSection } from './rooms-section';

const Photos = whenUsed(() => import('@/components/photos/photos').then((one) => one.Photos));

export function PrepareScreen() {
  return <JobLoader>{(loaded) => <Prepare key={loaded.job} {...loaded} />}</JobLoader>;
}

/** All that is settled before the first receptacle: the house, what to expect of it, its rooms, the plan, the testers. */
function Prepare({ job, house, isWhole }: LoadedJob) {
  const words = useWords();
  const record = useRecorder(job);
  const { bag } = useBag();
  const assessed = useAssessment(job, house);
  const { assessment } = assessed;
  const survey = useMemo(() => surveyOf(assessment), [assessment]);
  return (
    <JobFrame job={job} house={house} isWhole={isWhole} survey={survey} assessed={assessed} stage="prepare">
      <div className={classes.page}>
        <header className={classes.head}>
          <h1>Prepare</h1>
          <Button component={Link} prefetch={false} href={`/walk?job=${job}`}>
            {survey.summary.tested === 0 ? 'Begin the walk' : 'Go on with the walk'}
          </Button>
        </header>
        <PropertySection house={house} record={record} />
        <ExpectationsSection house={house} />
        <RoomsSection house={house} record={record} />
        <PlanSection coverage={survey.coverage} plan={house.plan} record={record} />
        <section className={classes.section} aria-labelledby="proof">
          <h2 id="proof">Testers</h2>
          <p className={classes.soft}>
            {words.screens.prepare.tryEach}, before the first reading and again after the last.
          </p>
          <FunctionChecks job={job} house={house} />
          <details>
            <summary>What this kit cannot see</summary>
            <BlindSpots bag={bag} />
          </details>
        </section>
        <AsFoundSection house={house} record={record} />
        <section className={classes.section} aria-labelledby="photos">
          <h2 id="photos">Photos of the house</h2>
          <Photos job={job} house={house} of="house" record={record} />
        </section>
      </div>
    </JobFrame>
  );
}
