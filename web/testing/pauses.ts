/** The pauses of the product, short: no test of a screen is about how long a burst of actions is let pass. */
export const beforeSending = 5;
export const beforeSummary = 20;
export const beforePacking = 8000;
export const beforeCounting = 60;
export const beforeAskingAgain = 30;
export const mostHeldBack = 40;
export const leastHeldBack = 20;
export const beforeLampsAlone = 30;
