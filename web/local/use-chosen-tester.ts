'use client';

import type { Tester } from '@fair-plug/core/inspection';
import { useLocalStorage } from '@mantine/hooks';
import { useTesters } from './use-logs';

const key = 'fair-plug tester';

/** The tester in use on this device: the chosen one, else the one set up last. */
export function useChosenTester(): Tester | null {
  const [chosen] = useLocalStorage<string | null>({ key, defaultValue: null });
  const loaded = useTesters();
  if (loaded.kind !== 'loaded') return null;
  return loaded.testers.find((tester) => tester.id === chosen) ?? loaded.testers.at(-1) ?? null;
}

export function useChooseTester(): (tester: string) => void {
  const [, setChosen] = useLocalStorage<string | null>({ key, defaultValue: null });
  return setChosen;
}
