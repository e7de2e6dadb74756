import type { KeyboardEvent } from 'react';

/** Enter or Space held down on a button presses it once. */
export function pressOnce(event: KeyboardEvent): void {
  if (event.repeat) event.preventDefault();
}
