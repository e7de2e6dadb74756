/**
 * How browsers and server speak about logs; raised when an older side would misunderstand a newer one. Both sides name
 * theirs, and entries wait until they agree: nothing is sent that the other would read wrongly.
 */
export const protocol = 8;
/** Entries of browsers that speak one as old as this are taken: every kind that they write is read for ever. */
export const oldestTaken = 3;
export const protocolHeader = 'x-fair-plug-protocol';

/** Whom a browser believes to be signed in: it may hold what somebody else entered while their session is gone. */
export const personHeader = 'x-fair-plug-person';
