import { type House, receptaclesOf } from '@fair-plug/core/log';
import type { FindingSummary, Survey } from '@fair-plug/core/report';
import { type ReactNode, useMemo } from 'react';
import type { Assessed } from '@/local/use-assessment';
import { useFindingSummary } from '@/local/use-finding-summary';
import { Frame } from './frame';
import classes from './job-frame.module.css';
import { JobHead, type Stage } from './job-head';

export interface JobFrameProps {
  readonly job: string;
  readonly house: House;
  /** False where the server was known to have more of the job than is here. */
  readonly isWhole: boolean;
  readonly survey: Survey;
  readonly assessed: Assessed;
  readonly stage: Stage;
  /** What the findings come to, where the screen has them at hand: else they are counted once it is quiet. */
  readonly counted?: FindingSummary;
  readonly children: ReactNode;
}

/** The frame of a job's screens: its address and the rail of its stages in the head. */
export function JobFrame({ job, house, isWhole, survey, assessed, stage, counted, children }: JobFrameProps) {
  const { tested, receptacles } = survey.summary;
  const countedHere = useFindingSummary(job, assessed);
  const findings = counted ?? countedHere;
  const rooms = survey.coverage.rooms.length;
  const circuits = new Set(receptaclesOf(house).flatMap(({ breaker }) => breaker ?? [])).size;
  const head = useMemo(
    () => (
      <JobHead
        job={job}
        address={house.address}
        stage={stage}
        tested={tested}
        receptacles={receptacles}
        findings={findings}
        rooms={rooms}
        circuits={circuits}
      />
    ),
    [job, house.address, stage, tested, receptacles, findings, rooms, circuits],
  );
  return (
    <Frame head={head}>
      {!isWhole && (
        <p role="status" className={`${classes.partial} screen-only`}>
          Part of this job is still on the server. It comes as soon as the server answers.
        </p>
      )}
      {assessed.hasFailed && (
        <p role="alert" className={`${classes.partial} screen-only`}>
          An error of this application keeps the readings from being judged. What is said here goes by the
          lamps, and by readings judged before. Load the page once more.
        </p>
      )}
      {children}
    </Frame>
  );
}
