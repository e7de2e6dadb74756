import * as crypto from 'better-auth/crypto';
import pLimit from 'p-limit';

/** More wait than can be served in any decent time. */
export class TooManyWaiting extends Error {}

type Line = <T>(work: () => Promise<T>) => Promise<T>;

/** Does so many works at once and lets so many wait; throws TooManyWaiting at any more. */
export function line(atOnce: number, longest: number): Line {
  const limited = pLimit(atOnce);
  return async (work) => {
    if (limited.activeCount + limited.pendingCount >= atOnce + longest) throw new TooManyWaiting();
    return limited(work);
  };
}

const kept = globalThis as { fairPlugHashing?: Line };

/**
 * A hash takes one of Node's four threads for a tenth of a second. Were all taken by those who try to sign in, the server
 * could not connect to its database and would say that it is away. A hundred that wait are served within ten seconds.
 */
function inTurn<T>(work: () => Promise<T>): Promise<T> {
  kept.fairPlugHashing ??= line(2, 100);
  return kept.fairPlugHashing(work);
}

/** What is kept of a password. Throws TooManyWaiting. */
export const hashPassword = (password: string): Promise<string> =>
  inTurn(() => crypto.hashPassword(password));

/** Whether a password is the one that a hash was made of. Throws TooManyWaiting. */
export const verifyPassword = (claimed: {
  readonly hash: string;
  readonly password: string;
}): Promise<boolean> => inTurn(() => crypto.verifyPassword(claimed));
