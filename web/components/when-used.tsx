import dynamic from 'next/dynamic';
import type { ComponentType } from 'react';

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
