import { isAPIError } from 'better-auth/api';
import type { Connection } from '@/data/database';
import type { Named } from '@/data/firm-data';
import { knownFrom } from '@/data/known-device';
import { describeSession, endSession } from '@/data/sessions';
import { signIn } from '@/data/sign-in';

interface SignedIn {
  /** Null where address and password do not match. */
  readonly user: Named | null;
  /** Puts the new session's cookie on an answer, and the mark of a browser that is known from now on. */
  readonly cookies: (answer: Response) => Response;
}

/** Begins a session for an address and its password; one that the browser had before ends. */
export async function signedIn(
  request: Request,
  connection: Connection,
  credentials: { readonly email: string; readonly password: string },
): Promise<SignedIn> {
  const auth = signIn();
  try {
    const before = await auth.api.getSession({ headers: request.headers });
    const { response, headers } = await auth.api.signInEmail({ body: credentials, returnHeaders: true });
    const { user, token } = response;
    await describeSession(connection, token, request.headers.get('user-agent'));
    if (before !== null) await endSession(connection, before.user.id, before.session.id);
    return {
      user: { id: user.id, name: user.name },
      cookies: (answer) => {
        for (const cookie of headers.getSetCookie()) answer.headers.append('Set-Cookie', cookie);
        answer.headers.append('Set-Cookie', knownFrom(request.headers.get('cookie'), credentials.email));
        return answer;
      },
    };
  } catch (error) {
    if (isAPIError(error) && error.statusCode === 401) return { user: null, cookies: (answer) => answer };
    throw error;
  }
}
