import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import { adjacencyGraphs, dictionary } from '@zxcvbn-ts/language-common';

/** On zxcvbn's own scale: 2 and less are guessed within a hundred million tries. */
const leastScore = 3;

const kept = globalThis as { fairPlugPasswords?: ZxcvbnFactory };

/** Its dictionaries are read once, when somebody first chooses a password. */
function estimator(): ZxcvbnFactory {
  kept.fairPlugPasswords ??= new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs });
  return kept.fairPlugPasswords;
}

/** What of an address somebody would try first: all of it, and what stands before the @. */
const partsOf = (email: string): readonly string[] => [email, email.split('@')[0] ?? ''];

/**
 * Whether a password is among the first that would be tried: a common one, a row of keys, or the person's own address or
 * name. Its length is checked by the schema of the request.
 */
export function isGuessable(
  password: string,
  { email, name = '' }: { readonly email: string; readonly name?: string },
): boolean {
  const own = [...partsOf(email), ...name.split(' '), name, name.replaceAll(' ', '')].filter(
    (part) => part.length > 2,
  );
  return estimator().check(password, own).score < leastScore;
}
