'use client';

import { useLocalStorage } from '@mantine/hooks';
import { storeName } from './identity';
import { useLocal } from './local-store';

/** A small thing remembered in this browser for one person in one firm. */
export function useOwnStorage<T>(key: string, defaultValue: T) {
  const { identity } = useLocal();
  return useLocalStorage<T>({
    key: `${storeName(identity)} ${key}`,
    defaultValue,
    getInitialValueInEffect: true,
  });
}
