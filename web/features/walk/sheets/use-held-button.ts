import { useInterval } from '@mantine/hooks';
import { useState } from 'react';

/** A device that has not tripped by then will not (a tester's button is held so long at most). */
export const longestSeconds = 6;

export interface HeldButton {
  /** null: not begun. */
  readonly seconds: number | null;
  readonly isHeld: boolean;
  readonly isTooLong: boolean;
  readonly begin: () => void;
  /** Stops and answers how long it was held. */
  readonly end: () => number;
}

/** Counts while the tester's button is held. */
export function useHeldButton(): HeldButton {
  const [began, setBegan] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  const [isHeld, setHeld] = useState(false);
  const clock = useInterval(() => setNow(performance.now()), 100);
  const seconds = began === null ? null : Math.max(0, now - began) / 1000;
  return {
    seconds,
    isHeld,
    isTooLong: (seconds ?? 0) >= longestSeconds,
    begin: () => {
      setBegan(performance.now());
      setNow(performance.now());
      setHeld(true);
      clock.start();
    },
    end: () => {
      clock.stop();
      setHeld(false);
      const held = began === null ? 0 : (performance.now() - began) / 1000;
      return Math.round(held * 10) / 10;
    },
  };
}
