import { useEffect } from 'react';
import { useDrawn } from './use-drawn';

/**
 * Nobody leaves a field where the page goes from under it, or a phone puts it away: what is typed is kept all the same.
 */
export function useWhenGone(leave: () => void): void {
  const latest = useDrawn(leave);
  useEffect(() => {
    const look = (): void => {
      if (document.visibilityState === 'hidden') latest();
    };
    window.addEventListener('pagehide', latest);
    document.addEventListener('visibilitychange', look);
    return () => {
      window.removeEventListener('pagehide', latest);
      document.removeEventListener('visibilitychange', look);
      latest();
    };
  }, [latest]);
}
