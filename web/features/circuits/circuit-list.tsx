import type { Assessment } from '@fair-plug/core/assessment';
import { useWords } from '@/components/region-words';
import { TriangleStrip } from '@/components/triangle-strip';
import classes from './circuit-list.module.css';
import { breakerNames, unassigned, type WiredCircuit } from './wired';

export interface CircuitListProps {
  readonly assessment: Assessment;
  readonly circuits: readonly WiredCircuit[];
  readonly current: string | null;
  readonly nameOf: (id: string) => string;
  readonly onTake: (breaker: string | null) => void;
}

/** What the engine makes of a circuit, in a line. */
function useCircuitLine(nameOf: (id: string) => string) {
  const words = useWords();
  return ({ judged, receptacles }: WiredCircuit): string => {
    if (judged === null)
      return receptacles.length < 2 ? 'One receptacle, judged by itself' : 'Nothing was read yet';
    const causes = judged.causes.filter((cause) => cause.receptacles.length > 0);
    if (causes.length === 0) return judged.isFinal ? 'Nothing wrong is held' : 'Being judged';
    return causes
      .map(
        ({ faults, place, probability }) =>
          `${words.cause(faults)}${place === null ? '' : ` ${words.place({ ...place, boxes: [] }, nameOf)}`} (${words.share(probability)})`,
      )
      .join('; ');
  };
}

/** The circuits of a house as a list: the graph in words, for phone, print and screen readers. */
export function CircuitList({ assessment, circuits, current, nameOf, onTake }: CircuitListProps) {
  const line = useCircuitLine(nameOf);
  const loose = unassigned(assessment.house);
  const lampsOf = (id: string) => assessment.receptacles.get(id)?.lamps ?? null;
  return (
    <ul className={classes.list}>
      {circuits.map((circuit) => (
        <li key={circuit.breaker}>
          <button
            type="button"
            className={classes.circuit}
            aria-current={circuit.breaker === current ? 'true' : undefined}
            onClick={() => onTake(circuit.breaker)}
          >
            <span className={classes.title}>
              <strong>{breakerNames(circuit)}</strong> {circuit.position?.feeds ?? ''}
              <span className={classes.count}>{circuit.receptacles.length}</span>
            </span>
            <TriangleStrip all={circuit.receptacles.map(({ id }) => lampsOf(id))} />
            <span className={classes.line}>{line(circuit)}</span>
          </button>
        </li>
      ))}
      {loose.length > 0 && (
        <li>
          <div className={classes.circuit}>
            <span className={classes.title}>
              Not on a breaker <span className={classes.count}>{loose.length}</span>
            </span>
            <TriangleStrip all={loose.map(({ id }) => lampsOf(id))} />
            <span className={classes.line}>Each is judged by itself until somebody says what feeds it.</span>
          </div>
        </li>
      )}
    </ul>
  );
}
