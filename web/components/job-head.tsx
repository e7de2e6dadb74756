import Link from 'next/link';
import type { FindingCounts } from '@/local/use-finding-counts';
import classes from './job-head.module.css';

export type Stage = 'prepare' | 'walk' | 'findings' | 'report';

export interface JobHeadProps {
  readonly job: string;
  readonly address: string;
  readonly stage: Stage;
  readonly tested: number;
  readonly receptacles: number;
  /** null until they were counted. */
  readonly findings: FindingCounts | null;
  readonly rooms: number;
}

function inWords({ reported, open }: FindingCounts): string {
  if (open === 0) return String(reported);
  return open === reported ? `${open} to decide` : `${reported}, ${open} to decide`;
}

/** The job's address and the rail of its stages, with counts. */
export function JobHead({ job, address, stage, tested, receptacles, findings, rooms }: JobHeadProps) {
  const stages = [
    {
      id: 'prepare',
      name: 'Prepare',
      href: `/prepare?job=${job}`,
      count: `${rooms} ${rooms === 1 ? 'room' : 'rooms'}`,
    },
    { id: 'walk', name: 'Walk', href: `/walk?job=${job}`, count: `${tested} of ${receptacles}` },
    {
      id: 'findings',
      name: 'Findings',
      href: `/findings?job=${job}`,
      count: findings === null ? '' : inWords(findings),
    },
    { id: 'report', name: 'Report', href: `/report?job=${job}`, count: '' },
  ] as const;
  return (
    <>
      <span className={classes.address}>{address}</span>
      <nav aria-label="Stages" className={classes.rail}>
        {stages.map(({ id, name, href, count }) => (
          <Link
            prefetch={false}
            key={id}
            href={href}
            className={classes.stage}
            aria-current={id === stage ? 'page' : undefined}
          >
            {name} {count !== '' && <span className={classes.count}>{count}</span>}
          </Link>
        ))}
      </nav>
    </>
  );
}
