import type { House } from '@fair-plug/core/inspection';
import type { Report } from '@fair-plug/core/report';
import { type ReactNode, useMemo } from 'react';
import { Frame } from './frame';
import { JobHead, type Stage } from './job-head';
import { RegionWords } from './region-words';

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
  const findings = report.findings.length;
  const rooms = report.coverage.rooms.length;
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
      <RegionWords region={house.region}>{children}</RegionWords>
    </Frame>
  );
}
