import { isAPIError } from 'better-auth/api';
import type { Named } from '@/data/firm-data';
import type { signIn } from '@/data/sign-in';

interface SignedIn {
  /** Null where address and password do not match. */
  readonly user: Named | null;
  /** Puts the new session's cookie on an answer. */
  readonly cookies: (answer: Response) => Response;
}

/** Begins a session for an address and its password. */
export async function signedIn(
  auth: ReturnType<typeof signIn>,
  credentials: { readonly email: string; readonly password: string },
): Promise<SignedIn> {
  try {
    const { response, headers } = await auth.api.signInEmail({ body: credentials, returnHeaders: true });
    return {
      user: { id: response.user.id, name: response.user.name },
      cookies: (answer) => {
        for (const cookie of headers.getSetCookie()) answer.headers.append('Set-Cookie', cookie);
        return answer;
      },
    };
  } catch (error) {
    if (isAPIError(error) && error.statusCode === 401) return { user: null, cookies: (answer) => answer };
    throw error;
  }
}
