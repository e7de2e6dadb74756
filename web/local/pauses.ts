/** How long things wait that are done once a burst of actions is over, in milliseconds. */

/** Before what was entered is sent: several readings in a row go together. */
export const beforeSending = 300;
/** Before the line of the list of jobs is made anew. */
export const beforeSummary = 400;
/** Before loose entries are packed. */
export const beforePacking = 8000;
/** Before findings are counted: not between two receptacles read in a row. */
export const beforeCounting = 2500;
/** Before a part of the application that could not be had is asked for again. */
export const beforeAskingAgain = 3000;
/** What has grown is shown with the engine's answer to it, where that comes within so long: drawn twice, a slow phone shows the answer a tenth of a second later. */
export const mostHeldBack = 120;
/** For so long where answers have not come within that lately. */
export const leastHeldBack = 40;
/** Before it is said what lamps alone leave open, where the engine has not answered by then. */
export const beforeLampsAlone = 300;
