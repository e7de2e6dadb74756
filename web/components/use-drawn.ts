import { useCallback, useLayoutEffect, useRef } from 'react';

/**
 * One function for as long as a component stands, which does what the function of the latest drawing does. From the
 * moment of drawing on: an effect that runs later would leave a press that comes right after it to the drawing before.
 */
export function useDrawn<A extends unknown[], R>(latest: (...args: A) => R): (...args: A) => R {
  const drawn = useRef(latest);
  useLayoutEffect(() => {
    drawn.current = latest;
  });
  return useCallback((...args: A) => drawn.current(...args), []);
}
