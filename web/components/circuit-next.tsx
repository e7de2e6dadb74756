import type { JudgedCircuit } from '@fair-plug/core/assessment';
import { useWords } from './region-words';

export interface CircuitNextProps {
  readonly circuit: JudgedCircuit;
  readonly nameOf: (id: string) => string;
  readonly onTake: (receptacle: string) => void;
}

/** The test on a circuit that decides most; or, once none decides anything, what stays unseen. */
export function CircuitNext({ circuit: { breaker, next, unseen }, nameOf, onTake }: CircuitNextProps) {
  const words = useWords();
  if (next !== null)
    return (
      <button type="button" onClick={() => onTake(next.at)}>
        <strong>Breaker {breaker}</strong> next: {words.test(next.instrument, next.state)} at{' '}
        {nameOf(next.at)}
        <span>{`It ${words.whyNext(next).replace(/^at \S+, /, '')}.`}</span>
      </button>
    );
  if (unseen === null) return null;
  return (
    <>
      <strong>Breaker {breaker}</strong> nothing left to test would change what is held
      <span>
        {unseen.length === 0
          ? ''
          : `Still unseen: ${unseen.map((id) => words.conditions[id].name.toLowerCase()).join(', ')}.`}
      </span>
    </>
  );
}
