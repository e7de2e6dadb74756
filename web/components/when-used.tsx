import dynamic from 'next/dynamic';
import { type ComponentType, useEffect, useState } from 'react';

function NotHere() {
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

/**
 * True from the first touch of a key or the screen on, or after a while without one: what is not needed for the first
 * sight is loaded then, and is at hand by the time that it is used.
 */
export function useWhenWanted(load: () => Promise<unknown>): boolean {
  const [isWanted, setWanted] = useState(false);
  useEffect(() => {
    const done = new AbortController();
    const begin = (): void => {
      done.abort();
      void load().catch(() => {});
      setWanted(true);
    };
    for (const touch of ['pointerdown', 'keydown'])
      addEventListener(touch, begin, { signal: done.signal, passive: true, capture: true });
    const timer = setTimeout(begin, idleFor);
    done.signal.addEventListener('abort', () => clearTimeout(timer));
    return () => done.abort();
  }, [load]);
  return isWanted;
}
