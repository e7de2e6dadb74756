'use client';

import { useEffect, useState } from 'react';
import classes from './save-state.module.css';

/** Milliseconds that the change is waited for. */
const longestWait = 6000;

/** Keeps the application on the device, and says so when a newer one waits there. */
export function AppUpdates() {
  const [waiting, setWaiting] = useState<ServiceWorker | null>(null);
  useEffect(() => {
    if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return;
    let isCurrent = true;
    const watch = (registration: ServiceWorkerRegistration): void => {
      const look = (): void => {
        // The first one ever replaces nothing.
        if (isCurrent && registration.waiting !== null && navigator.serviceWorker.controller !== null)
          setWaiting(registration.waiting);
      };
      look();
      registration.addEventListener('updatefound', () =>
        registration.installing?.addEventListener('statechange', look),
      );
    };
    // Where the browser forbids it, the application works as long as there is a network.
    navigator.serviceWorker.register('/sw.js').then(watch, () => {});
    return () => {
      isCurrent = false;
    };
  }, []);
  if (waiting === null) return null;
  const take = (): void => {
    navigator.serviceWorker.addEventListener('controllerchange', () => location.reload(), { once: true });
    waiting.postMessage({ type: 'SKIP_WAITING' });
    // The old one may be busy with an answer; it ends with the page.
    setTimeout(() => location.reload(), longestWait);
  };
  return (
    <div className={classes.banner} role="status">
      <span>A newer Fair Plug is on this device. It is taken the next time that you start it.</span>
      <button type="button" onClick={take}>
        Take it now
      </button>
    </div>
  );
}
