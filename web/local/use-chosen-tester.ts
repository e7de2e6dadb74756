'use client';

import type { Tester } from '@fair-plug/core/log';
import { useKit } from './use-logs';
import { useOwnStorage } from './use-own-storage';

const key = 'tester';

/** The tester in use on this device: the chosen one, else the one set up last. */
export function useChosenTester(): Tester | null {
  const [chosen] = useOwnStorage<string | null>(key, null);
  const loaded = useKit();
  if (loaded.kind !== 'loaded') return null;
  return loaded.testers.find((tester) => tester.id === chosen) ?? loaded.testers.at(-1) ?? null;
}

export function useChooseTester(): (tester: string) => void {
  const [, setChosen] = useOwnStorage<string | null>(key, null);
  return setChosen;
}
