/** What the lists and the next test of one outlet take at the most, on a slow machine. */
const millisecondsAnOutlet = 30;

/**
 * Milliseconds for which one may search, where the whole answer is to take so many: what is left open at each outlet of
 * a long run, and what is to be done next, take their own; half is left for the search whatever they take.
 */
export const searchTime = (milliseconds: number, outlets: number): number =>
  Math.max(milliseconds / 2, milliseconds - millisecondsAnOutlet * outlets);
