'use client';

import { type Circuit, simulate } from '@fair-plug/core/circuit';
import type { InstrumentId, Reading, Test, TestState } from '@fair-plug/core/instruments';
import { proxy } from 'comlink';
import { useEffect, useMemo, useState } from 'react';
import { ask } from '@/local/engine';
import { useBag } from '@/local/use-bag';
import type { BenchDiagnosis } from '@/workers/engine.worker';

export interface BenchDiagnosing {
  readonly readings: readonly Reading[];
  /** The engine's best answer so far; null until it has one. */
  readonly answer: BenchDiagnosis | null;
  readonly isThinking: boolean;
  /** Makes a test on the hidden circuit and keeps what it shows. */
  readonly read: (at: string, instrument: InstrumentId, state?: TestState) => void;
  readonly clear: () => void;
}

const sameTest = (a: Reading, b: Reading): boolean =>
  a.at === b.at && a.instrument === b.instrument && a.state?.loadsOff === b.state?.loadsOff;

/** Readings taken one by one on a circuit whose faults and loads stay hidden, and what the engine makes of them. */
export function useBenchDiagnosis(circuit: Circuit): BenchDiagnosing {
  const { bag } = useBag();
  const [readings, setReadings] = useState<readonly Reading[]>([]);
  const [answer, setAnswer] = useState<BenchDiagnosis | null>(null);
  // Everything that is on the bench may be used there; the bag only says what is asked for next.
  const kit = useMemo<readonly InstrumentId[]>(() => [...new Set([...bag, 'loaded' as const])], [bag]);
  useEffect(() => {
    if (readings.length === 0) return;
    let isCurrent = true;
    const take = (better: BenchDiagnosis | null): void => {
      if (isCurrent && better !== null) setAnswer(better);
    };
    void ask((engine) => engine.diagnose(circuit, readings, kit, proxy(take))).then(take);
    return () => {
      isCurrent = false;
    };
  }, [circuit, readings, kit]);
  return {
    readings,
    answer: readings.length === 0 ? null : answer,
    isThinking: readings.length > 0 && answer?.isFinal !== true,
    read: (at, instrument, state) => {
      const test = { at, instrument, ...(state === undefined ? {} : { state }) } as Test;
      const [reading] = simulate({ ...circuit, tests: [test] }).readings;
      if (reading === undefined) return;
      const { trippedBefore: _, ...shown } = reading;
      setReadings((before) => [...before.filter((one) => !sameTest(one, reading)), shown as Reading]);
      setAnswer((before) => (before === null ? null : { ...before, isFinal: false }));
    },
    clear: () => {
      setReadings([]);
      setAnswer(null);
    },
  };
}
