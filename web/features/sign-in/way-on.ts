/** Pages that one may be led on to after signing in. */
const pages: ReadonlySet<string> = new Set([
  '/',
  '/account',
  '/bench',
  '/findings',
  '/join',
  '/kit',
  '/people',
  '/prepare',
  '/report',
  '/settings',
  '/walk',
]);

/**
 * Where to go after signing in: a page of this application with what it asks for, else its first. Whatever was asked for
 * is read as a browser reads it, which leaves out tabs and line ends and takes a backslash for a slash, and written anew.
 */
export function wayOn(to: string | null): string {
  const here = 'https://here.invalid';
  if (to === null || !URL.canParse(to, here)) return '/';
  const { origin, pathname, search } = new URL(to, here);
  return origin === here && pages.has(pathname) ? pathname + search : '/';
}
