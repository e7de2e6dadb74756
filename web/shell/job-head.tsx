import type { FindingSummary } from '@fair-plug/core/report';
import Link from 'next/link';
import classes from './job-head.module.css';

/** Of a house whose address nobody has entered. */
export const noAddress = 'Address not entered';

export type Stage = 'prepare' | 'walk' | 'circuits' | 'findings' | 'report';

export interface JobHeadProps {
  readonly job: string;
  readonly address: string | null;
  readonly stage: Stage;
  readonly tested: number;
  readonly receptacles: number;
  /** null until they were counted. */
  readonly findings: FindingSummary | null;
  readonly rooms: number;
  /** Breakers on which a receptacle was put. */
  readonly circuits: number;
}

function inWords({ reported, toDecide }: FindingSummary): string {
  if (toDecide === 0) return String(reported);
  return toDecide === reported ? `${toDecide} to decide` : `${reported}, ${toDecide} to decide`;
}

/** The job's address and the rail of its stages, with counts. */
export function JobHead({
  job,
  address,
  stage,
  tested,
  receptacles,
  findings,
  rooms,
  circuits,
}: JobHeadProps) {
  const stages = [
    {
      id: 'prepare',
      name: 'Prepare',
      href: `/prepare?job=${job}`,
      count: `${rooms} ${rooms === 1 ? 'room' : 'rooms'}`,
    },
    { id: 'walk', name: 'Walk', href: `/walk?job=${job}`, count: `${tested} of ${receptacles}` },
    {
      id: 'circuits',
      name: 'Circuits',
      href: `/circuits?job=${job}`,
      count: circuits === 0 ? '' : String(circuits),
    },
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
      <span className={classes.address}>{address ?? noAddress}</span>
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
