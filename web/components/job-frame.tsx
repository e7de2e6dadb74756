import type { House } from '@fair-plug/core/inspection';
import type { Report } from '@fair-plug/core/report';
import type { ReactNode } from 'react';
import { Frame } from './frame';
import { JobHead, type Stage } from './job-head';

export interface JobFrameProps {
  readonly job: string;
  readonly house: House;
  readonly report: Report;
  readonly stage: Stage;
  readonly children: ReactNode;
}

/** The frame of a job's screens: its address and the rail of its stages in the head. */
export function JobFrame({ job, house, report, stage, children }: JobFrameProps) {
  const { tested, receptacles } = report.summary;
  return (
    <Frame
      head={
        <JobHead
          job={job}
          address={house.address}
          stage={stage}
          tested={tested}
          receptacles={receptacles}
          findings={report.findings.length}
        />
      }
    >
      {children}
    </Frame>
  );
}
