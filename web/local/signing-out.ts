const key = 'fair-plug signing-out';

const requests = {
  here: { path: '/api/sign-out', method: 'POST', body: '{}' },
  everywhere: { path: '/api/sessions', method: 'DELETE', body: null },
} as const;
/** Out of this session, or of all that the person has. */
export type SignOutWay = keyof typeof requests;

/** Somebody signed out here, and the server has not heard of it yet. */
export const isSigningOut = (): boolean => localStorage.getItem(key) !== null;

/** Remembered until the server has heard of it: a closed browser and a dead network do not leave the door open. */
export const rememberSignOut = (way: SignOutWay): void => localStorage.setItem(key, way);

let running: Promise<boolean> | null = null;

async function tell(): Promise<boolean> {
  const { path, method, body } = requests[localStorage.getItem(key) === 'everywhere' ? 'everywhere' : 'here'];
  const response = await fetch(path, {
    method,
    headers: { 'Content-Type': 'application/json' },
    body,
    signal: AbortSignal.timeout(15_000),
  }).catch(() => null);
  // A session that ended meanwhile is one that nobody has to end.
  const isDone = response !== null && (response.ok || response.status === 401);
  if (isDone) localStorage.removeItem(key);
  return isDone;
}

/** Ends the session on the server where that was left open; false where it could not be, and nothing else may be asked. */
export async function finishSignOut(): Promise<boolean> {
  if (!isSigningOut()) return true;
  running ??= tell().finally(() => {
    running = null;
  });
  return running;
}
