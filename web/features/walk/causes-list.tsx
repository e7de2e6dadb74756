import type { Assessment } from '@fair-plug/core/assessment';
import { memo } from 'react';
import { CircuitNext } from '@/components/circuit-next';
import { useWords } from '@/components/region-words';
import classes from './causes-list.module.css';

export interface CausesListProps {
  readonly assessment: Assessment;
  readonly nameOf: (id: string) => string;
  readonly onTake: (receptacle: string) => void;
}

/** One line a cause, with everything that it explains; and what looks as if it had one. */
export const CausesList = memo(function CausesList({ assessment, nameOf, onTake }: CausesListProps) {
  const words = useWords();
  const { circuits, likelyGroups, serviceNeutral } = assessment;
  const causes = circuits.flatMap(({ breaker, causes: here }) =>
    here.filter(({ receptacles }) => receptacles.length > 0).map((cause) => ({ breaker, ...cause })),
  );
  const runs = circuits.filter(({ lengths }) => lengths.length > 1);
  const hasTests = circuits.some(({ next, unseen }) => next !== null || unseen !== null);
  if (causes.length + likelyGroups.length + runs.length === 0 && serviceNeutral === null && !hasTests)
    return null;
  return (
    <section className={classes.causes} aria-label="Causes">
      <h2>Causes</h2>
      {serviceNeutral !== null && (
        <p className={classes.urgent}>
          Volts are high at {serviceNeutral.high.map(nameOf).join(', ')} (
          {serviceNeutral.highVolts.toFixed(0)} V) and low at {serviceNeutral.low.map(nameOf).join(', ')} (
          {serviceNeutral.lowVolts.toFixed(0)} V): {words.screens.walk.lostServiceNeutral}
        </p>
      )}
      <ul>
        {causes.map(({ breaker, id, faults, place, receptacles }) => (
          <li key={`${breaker} ${id}`}>
            <button type="button" onClick={() => onTake(receptacles[0] ?? '')}>
              <strong>{words.cause(faults)}</strong> · breaker {breaker}
              <span>{place === null ? '' : words.place(place, nameOf)}</span>
              <span>
                explains {receptacles.length}: {receptacles.map(nameOf).join(', ')}
              </span>
            </button>
          </li>
        ))}
        {likelyGroups.map(({ condition, outlets }) => (
          <li key={outlets.join()}>
            <button type="button" onClick={() => onTake(outlets[0] ?? '')}>
              <strong>{words.conditions[condition].name}</strong> at {outlets.length} neighbours
              <span>
                {outlets.map(nameOf).join(', ')}: likely one cause. Set their breaker to find where.
              </span>
            </button>
          </li>
        ))}
        {circuits
          .filter(({ next, unseen }) => next !== null || unseen !== null)
          .map((circuit) => (
            <li key={`next ${circuit.breaker}`} className={circuit.next === null ? classes.run : undefined}>
              <CircuitNext circuit={circuit} nameOf={nameOf} onTake={onTake} />
            </li>
          ))}
        {runs.map(({ breaker, lengths }) => (
          <li key={`run ${breaker}`} className={classes.run}>
            <strong>Breaker {breaker}</strong> from the panel outward, by load tests
            <span>{lengths.map(({ at, meters }) => `${nameOf(at)} ${meters.toFixed(0)} m`).join(', ')}</span>
          </li>
        ))}
      </ul>
    </section>
  );
});
