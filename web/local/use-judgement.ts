'use client';

import type { InstrumentId } from '@fair-plug/core/circuit';
import type { House } from '@fair-plug/core/inspection';
import type { HouseJudgement } from '@fair-plug/core/judgement';
import { useLocalStorage } from '@mantine/hooks';
import { proxy } from 'comlink';
import { useEffect, useState } from 'react';
import { engine } from './engine';

/** What is in the bag until somebody says otherwise. */
const usualBag: readonly InstrumentId[] = ['lamps', 'probe', 'meter'];

/** The instruments at hand, as this device remembers them. */
export function useBag() {
  const [bag, setBag] = useLocalStorage<readonly InstrumentId[]>({
    key: 'fair-plug bag',
    defaultValue: usualBag,
    getInitialValueInEffect: true,
  });
  return { bag, setBag };
}

/** What the engine makes of a house: null until it has answered, then the best answer so far. */
export function useJudgement(job: string, house: House): HouseJudgement | null {
  const { bag } = useBag();
  const [judgement, setJudgement] = useState<HouseJudgement | null>(null);
  useEffect(() => {
    let isCurrent = true;
    const take = (better: HouseJudgement | null): void => {
      if (isCurrent && better !== null) setJudgement(better);
    };
    void engine().judge(job, house, bag, proxy(take)).then(take);
    return () => {
      isCurrent = false;
    };
  }, [job, house, bag]);
  return judgement;
}
