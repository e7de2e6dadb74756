import dynamic from 'next/dynamic';
import { type ComponentType, useEffect, useState } from 'react';

/** Stands where code would, that cannot be had just now. */
export function NotHere() {
  return (
    <p role="alert">
      This part of the application is not on this device yet. Load the page again once there is a network;
      what you entered is kept.
    </p>
  );
}

/** A component whose code is loaded when it is first shown; it says so where that cannot be had. */
export const whenUsed = <P extends object>(load: () => Promise<ComponentType<P>>): ComponentType<P> =>
  dynamic(() => load().catch((): ComponentType<P> => NotHere), { ssr: false });

/** What nobody touched by then is loaded all the same, in milliseconds. */
const idleFor = 4000;

/** A component that is loaded when it may be wanted: null before, `missing` where it could not be had just now. */
export type Wanted<P> = ComponentType<P> | null | 'missing';

/**
 * Loads a component with the first touch of a key or the screen, or after a while without one: what is not needed for the
 * first sight is at hand by the time that it is used. What could not be had is asked for again at the next touch.
 */
export function useWhenWanted<P>(load: () => Promise<ComponentType<P>>): Wanted<P> {
  const [wanted, setWanted] = useState<Wanted<P>>(null);
  const isHere = typeof wanted === 'function' || (typeof wanted === 'object' && wanted !== null);
  useEffect(() => {
    if (isHere) return;
    const over = new AbortController();
    const begin = (): void =>
      void load().then(
        (loaded) => over.signal.aborted || setWanted(() => loaded),
        () => over.signal.aborted || setWanted('missing'),
      );
    for (const touch of ['pointerdown', 'keydown'])
      addEventListener(touch, begin, { signal: over.signal, passive: true, capture: true });
    const timer = setTimeout(begin, idleFor);
    return () => {
      clearTimeout(timer);
      over.abort();
    };
  }, [load, isHere]);
  return wanted;
}
