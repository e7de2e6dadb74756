import Link from 'next/link';
import classes from './job-head.module.css';

export type Stage = 'prepare' | 'walk' | 'findings' | 'report';

export interface JobHeadProps {
  readonly job: string;
  readonly address: string;
  readonly stage: Stage;
  readonly tested: number;
  readonly receptacles: number;
  readonly findings: number;
  /** Findings that nobody has decided on. */
  readonly open: number;
  readonly rooms: number;
}

/** The job's address and the rail of its stages, with counts. */
export function JobHead({ job, address, stage, tested, receptacles, findings, open, rooms }: JobHeadProps) {
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
      count: open === 0 ? String(findings) : `${findings}, ${open} open`,
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
