import Link from 'next/link';
import classes from './job-head.module.css';

export type Stage = 'walk' | 'report';

export interface JobHeadProps {
  readonly job: string;
  readonly address: string;
  readonly stage: Stage;
  readonly tested: number;
  readonly receptacles: number;
  readonly findings: number;
}

/** The job's address and the rail of its stages, with counts. */
export function JobHead({ job, address, stage, tested, receptacles, findings }: JobHeadProps) {
  const stages = [
    { id: 'walk', name: 'Walk', href: `/walk?job=${job}`, count: `${tested} of ${receptacles}` },
    {
      id: 'report',
      name: 'Report',
      href: `/report?job=${job}`,
      count: `${findings} ${findings === 1 ? 'finding' : 'findings'}`,
    },
  ] as const;
  return (
    <>
      <span className={classes.address}>{address}</span>
      <nav aria-label="Stages" className={classes.rail}>
        {stages.map(({ id, name, href, count }) => (
          <Link
            key={id}
            href={href}
            className={classes.stage}
            aria-current={id === stage ? 'page' : undefined}
          >
            {name} <span className={classes.count}>{count}</span>
          </Link>
        ))}
      </nav>
    </>
  );
}
