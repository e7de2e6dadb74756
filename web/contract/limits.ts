/** What server and browser both count by. */

export const shortestPassword = 10;
export const longestPassword = 128;

/** A photo is sent in pieces of so many bytes, so that little is sent twice where the connection breaks off. */
export const mostPiece = 512 * 1024;
