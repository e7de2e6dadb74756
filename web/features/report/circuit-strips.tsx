import type { SectionData } from '@fair-plug/core/report';
import { Triangle } from '@/components/triangle';
import classes from './circuit-strips.module.css';

type Circuit = SectionData<'circuits'>['circuits'][number];

/** Circuits as strips: each receptacle a triangle, what is held of the way to it before it. */
export function CircuitStrips({ circuits }: SectionData<'circuits'>) {
  return (
    <ul className={classes.circuits}>
      {circuits.map((circuit) => (
        <li key={circuit.breakers.join()}>
          <p>
            <strong>{circuit.breakers.join(' and ')}</strong> {circuit.feeds ?? ''}
            {said(circuit)}
          </p>
          <ol className={classes.strip}>
            {circuit.stops.map(({ name, lamps, before, here, branchAt, isEnd }) => (
              <li key={name} className={classes.stop}>
                {before !== '' && <span className={classes.before}>{before}</span>}
                <span className={classes.here}>
                  <Triangle lamps={lamps} size={26} />
                  {name}
                  {branchAt !== null && <small>branch at {branchAt}</small>}
                  {isEnd && <small>end of the run</small>}
                  {here !== '' && <em>{here}</em>}
                </span>
              </li>
            ))}
          </ol>
          {circuit.behindCovers.map((line) => (
            <p key={line}>{line}</p>
          ))}
        </li>
      ))}
    </ul>
  );
}

/** What was said of how it is wired. */
function said({ isRing, sharesWith, breakers }: Circuit): string {
  const shared =
    sharesWith === null
      ? 'shares its neutral with none'
      : sharesWith === undefined
        ? ''
        : breakers.length > 1
          ? 'one neutral for both'
          : `shares its neutral with breaker ${sharesWith}`;
  return [isRing ? 'a ring' : '', shared]
    .filter((part) => part !== '')
    .map((part) => `, ${part}`)
    .join('');
}
