import { type JudgedCause, suspectId } from '@fair-plug/core/assessment';
import { useMemo, useState } from 'react';
import type { PointedOut } from './standing';
import type { WiredCircuit } from './wired';

export const views = [
  { id: 'graph', name: 'Graph' },
  { id: 'volts', name: 'Volts' },
  { id: 'what-if', name: 'What if' },
  { id: 'order', name: 'Order' },
  { id: 'protection', name: 'Protection' },
] as const;
export type View = (typeof views)[number]['id'];

/** Causes of a circuit that explain something, what does most harm first. */
const causesOf = (circuit: WiredCircuit | null): readonly JudgedCause[] =>
  circuit?.judged?.causes.filter(({ receptacles }) => receptacles.length > 0) ?? [];

/** What is looked at: a circuit, one of its causes, a receptacle, and how. */
export function useTaken(circuits: readonly WiredCircuit[]) {
  const [breaker, setBreaker] = useState<string | null>(null);
  const [causeId, setCause] = useState<string | null>(null);
  const [receptacle, setReceptacle] = useState<string | null>(null);
  const [hovered, point] = useState<PointedOut | null>(null);
  const [view, see] = useState<View>('graph');
  const circuit = circuits.find(({ breakers }) => breaker !== null && breakers.includes(breaker)) ?? null;
  const causes = useMemo(() => causesOf(circuit), [circuit]);
  const cause =
    causes.find(({ id }) => id === causeId) ??
    causes.find(({ receptacles }) => receptacle !== null && receptacles.includes(receptacle)) ??
    causes[0] ??
    null;
  const pointedOut = useMemo((): PointedOut | null => {
    if (hovered !== null) return hovered;
    if (cause === null)
      return receptacle === null ? null : { receptacles: new Set([receptacle]), suspects: new Set() };
    return {
      receptacles: new Set([...cause.receptacles, ...(receptacle === null ? [] : [receptacle])]),
      suspects: new Set(cause.faults.map(suspectId)),
    };
  }, [hovered, cause, receptacle]);
  const takeBreaker = (to: string | null): void => {
    setBreaker(to);
    setCause(null);
    setReceptacle(null);
    point(null);
  };
  return {
    circuit,
    causes,
    cause,
    receptacle,
    pointedOut,
    view,
    see,
    point,
    takeBreaker,
    takeCause: setCause,
    /** A receptacle, and with it what is behind it. */
    takeReceptacle: (id: string, on: string | null): void => {
      setBreaker(on);
      setCause(null);
      setReceptacle(id);
      point(null);
    },
    step: (by: 1 | -1): void => {
      const at = circuits.findIndex((one) => one.breaker === circuit?.breaker);
      const next = circuits[Math.max(0, Math.min(circuits.length - 1, at + by))];
      if (next !== undefined) takeBreaker(next.breaker);
    },
  };
}
