import { createHmac, timingSafeEqual } from 'node:crypto';
import { v7 } from 'uuid';
import { publicOrigin, secret } from './sign-in.ts';

/**
 * Browsers in which somebody signed in before. Their tries are counted apart, so that nobody locks a person out by trying
 * their address elsewhere (OWASP, "Slow down online guessing attacks with device cookies", from memory). A browser holds
 * a mark for each person; the mark is good for that address alone and lets nobody in.
 */

const days = 180;
/** People whose marks one browser holds: who signed in there last. */
const mostPeople = 5;

const cookieName = (): string => `${publicOrigin().startsWith('https:') ? '__Host-' : ''}fair-plug.known`;

const sealOf = (id: string, email: string): string =>
  createHmac('sha256', secret())
    .update(`known device\n${id}\n${email.trim().toLowerCase()}`)
    .digest('base64url');

function isSealOf(seal: string, id: string, email: string): boolean {
  const [given, right] = [Buffer.from(seal), Buffer.from(sealOf(id, email))];
  return given.length === right.length && timingSafeEqual(given, right);
}

/** Marks in the cookies of a request, as texts "id.seal". */
function marksIn(cookies: string | null): readonly string[] {
  const name = `${cookieName()}=`;
  const own = (cookies ?? '').split('; ').find((one) => one.startsWith(name));
  return own === undefined ? [] : own.slice(name.length).split('~').slice(0, mostPeople);
}

const markFor = (marks: readonly string[], email: string): string | undefined =>
  marks.find((mark) => {
    const [id = '', seal = ''] = mark.split('.');
    return isSealOf(seal, id, email);
  });

/** The id of the mark by which a browser is known to have let a person in; null where it is not. */
export const knownDevice = (cookies: string | null, email: string): string | null =>
  markFor(marksIn(cookies), email)?.split('.')[0] ?? null;

/** The cookie that makes a browser known for a person who has just signed in. */
export function knownFrom(cookies: string | null, email: string): string {
  const before = marksIn(cookies);
  const own = markFor(before, email);
  const id = v7();
  const mark = own ?? `${id}.${sealOf(id, email)}`;
  const value = [mark, ...before.filter((one) => one !== mark)].slice(0, mostPeople).join('~');
  const secure = publicOrigin().startsWith('https:') ? '; Secure' : '';
  return `${cookieName()}=${value}; Path=/; Max-Age=${days * 86_400}; HttpOnly; SameSite=Lax${secure}`;
}
