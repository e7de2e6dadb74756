import type { Assessment } from '@fair-plug/core/assessment';
import { memo } from 'react';
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

interface CircuitRowProps extends Pick<CircuitListProps, 'assessment' | 'nameOf' | 'onTake'> {
  readonly circuit: WiredCircuit;
  readonly isCurrent: boolean;
}

/** A circuit, and what the engine makes of it in a line. */
const CircuitRow = memo(function CircuitRow({
  assessment,
  circuit,
  isCurrent,
  nameOf,
  onTake,
}: CircuitRowProps) {
  const words = useWords();
  const { judged, receptacles, position } = circuit;
  const line = (): string => {
    if (judged === null) {
      if (receptacles.length < 2) return 'One receptacle, judged by itself';
      return receptacles.some(({ readings }) => readings.length > 0)
        ? 'Being judged'
        : 'Nothing was read yet';
    }
    const causes = judged.causes.filter((cause) => cause.receptacles.length > 0);
    if (causes.length === 0) return judged.isFinal ? 'Nothing wrong is held' : 'Being judged';
    return causes
      .map(({ faults, place, probability }) => {
        const where = place === null ? '' : ` ${words.place({ ...place, boxes: [] }, nameOf)}`;
        return `${words.cause(faults)}${where} (${words.share(probability)})`;
      })
      .join('; ');
  };
  return (
    <li>
      <button
        type="button"
        className={classes.circuit}
        aria-current={isCurrent ? 'true' : undefined}
        onClick={() => onTake(circuit.breaker)}
      >
        <span className={classes.title}>
          <strong>{breakerNames(circuit)}</strong> {position?.feeds ?? ''}
          <span className={classes.count}>{receptacles.length}</span>
        </span>
        <TriangleStrip all={receptacles.map(({ id }) => assessment.receptacles.get(id)?.lamps ?? null)} />
        <span className={classes.line}>{line()}</span>
      </button>
    </li>
  );
});

/** The circuits of a house as a list: the graph in words, for phone, print and screen readers. */
export function CircuitList({ assessment, circuits, current, nameOf, onTake }: CircuitListProps) {
  const loose = unassigned(assessment.house);
  return (
    <ul className={classes.list}>
      {circuits.map((circuit) => (
        <CircuitRow
          key={circuit.breaker}
          assessment={assessment}
          circuit={circuit}
          isCurrent={circuit.breaker === current}
          nameOf={nameOf}
          onTake={onTake}
        />
      ))}
      {loose.length > 0 && (
        <li>
          <div className={classes.circuit}>
            <span className={classes.title}>
              Not on a breaker <span className={classes.count}>{loose.length}</span>
            </span>
            <TriangleStrip all={loose.map(({ id }) => assessment.receptacles.get(id)?.lamps ?? null)} />
            <span className={classes.line}>Each is judged by itself until somebody says what feeds it.</span>
          </div>
        </li>
      )}
    </ul>
  );
}
