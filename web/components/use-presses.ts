import { useCallback, useRef } from 'react';

/** A second press of the same key within so many milliseconds is a slip of the finger. */
const slipMilliseconds = 500;

/**
 * Tells a second press of the same key from a wanted one, by when the presses were made and not by when they are
 * handled: a double tap must not record the next receptacle untested, however slow the device. Of a key held down or
 * hammered only the first press counts.
 */
export function usePresses(): (key: string, at: number) => boolean {
  const lastPressed = useRef(new Map<string, number>());
  return useCallback((key, at) => {
    const before = lastPressed.current.get(key);
    lastPressed.current.set(key, at);
    return before === undefined || Math.abs(at - before) >= slipMilliseconds;
  }, []);
}
