'use client';

import { useRef, useState } from 'react';
import { storeName } from './identity';
import { useLocal } from './local-store';

export interface Draft<T> {
  readonly fields: T;
  /** They were entered at an earlier time and never recorded. */
  readonly isFromBefore: boolean;
  /** Some fields, or how they follow from what stands in all of them by then. */
  readonly change: (some: Partial<T> | ((before: T) => Partial<T>)) => void;
  /** They were recorded, or are not wanted. */
  readonly clear: () => void;
}

function kept<T>(name: string): T | null {
  const text = localStorage.getItem(name);
  // Written below alone.
  return text === null ? null : (JSON.parse(text) as T);
}

/**
 * Fields that stay in this browser until they are recorded: a form closed, or a page left, loses nothing. Only what
 * was entered is drafted; the rest stands as it is by now.
 */
export function useDraft<T extends object>(key: string, standing: T): Draft<T> {
  const { identity } = useLocal();
  const name = `${storeName(identity)} draft ${key}`;
  const [{ entered, isFromBefore }, setState] = useState(() => {
    const before = kept<Partial<T>>(name);
    return { entered: before ?? {}, isFromBefore: before !== null };
  });
  const latest = useRef(entered);
  latest.current = entered;
  return {
    fields: { ...standing, ...entered },
    isFromBefore,
    change: (some) => {
      const before = { ...standing, ...latest.current };
      const changed = { ...latest.current, ...(typeof some === 'function' ? some(before) : some) };
      latest.current = changed;
      setState({ entered: changed, isFromBefore });
      try {
        localStorage.setItem(name, JSON.stringify(changed));
      } catch {
        // No room left: it stays on screen.
      }
    },
    clear: () => {
      latest.current = {};
      setState({ entered: {}, isFromBefore: false });
      localStorage.removeItem(name);
    },
  };
}
