import type { HouseJudgement } from '@fair-plug/core/assessment';
import type { House } from '@fair-plug/core/inspection';
import type { Survey } from '@fair-plug/core/report';
import { type ReactNode, useMemo } from 'react';
import { useFindingCounts } from '@/local/use-finding-counts';
import { Frame } from './frame';
import classes from './job-frame.module.css';
import { JobHead, type Stage } from './job-head';
import { RegionWords } from './region-words';

export interface JobFrameProps {
  readonly job: string;
  readonly house: House;
  /** False where the server was known to have more of the job than is here. */
  readonly isWhole: boolean;
  readonly survey: Survey;
  readonly judgement: HouseJudgement | null;
  readonly stage: Stage;
  readonly children: ReactNode;
}

/** The frame of a job's screens: its address and the rail of its stages in the head. */
export function JobFrame({ job, house, isWhole, survey, judgement, stage, children }: JobFrameProps) {
  const { tested, receptacles } = survey.summary;
  const findings = useFindingCounts(house, judgement);
  const rooms = survey.coverage.rooms.length;
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
      />
    ),
    [job, house.address, stage, tested, receptacles, findings, rooms],
  );
  return (
    <Frame head={head}>
      {!isWhole && (
        <p role="status" className={`${classes.partial} screen-only`}>
          Part of this job is still on the server. It comes as soon as the server answers.
        </p>
      )}
      <RegionWords region={house.region}>{children}</RegionWords>
    </Frame>
  );
}
