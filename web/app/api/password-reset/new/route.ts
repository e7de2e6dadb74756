import { isAPIError } from 'better-auth/api';
import { newPassword } from '@/contract/requests';
import { addressOfReset, signIn } from '@/data/sign-in';
import { answer, bodyOf, Problem } from '../../answers';
import { answerAnyone, limit, refuseGuessable, sourceOf } from '../../gate';

/** Sets a new password by a link from the mail; all sessions of the person end. */
export const POST = (request: Request): Promise<Response> =>
  answerAnyone(request, async ({ connection }) => {
    const { token, password } = await bodyOf(request, newPassword);
    await limit('reset-source', sourceOf(request));
    refuseGuessable(password, { email: await addressOfReset(connection, token) });
    await signIn()
      .api.resetPassword({ body: { token, newPassword: password } })
      .catch((error) => {
        throw isAPIError(error) && error.statusCode === 400
          ? new Problem('not-found', 'This link is no longer good. Ask for another.')
          : error;
      });
    return answer({});
  });
