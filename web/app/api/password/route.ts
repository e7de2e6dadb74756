import { isAPIError } from 'better-auth/api';
import { passwordChange } from '@/contract/requests';
import { noteEverywhere } from '@/data/audit';
import { signIn, tellOfNewPassword } from '@/data/sign-in';
import { answer, bodyOf, Problem } from '../answers';
import { answerPerson, limit, refuseGuessable } from '../gate';

/** Changes the password; every other session of the person ends. */
export const POST = (request: Request): Promise<Response> =>
  answerPerson(request, async ({ connection, person }) => {
    const { current, next } = await bodyOf(request, passwordChange);
    await limit('password-person', person.id);
    refuseGuessable(next, person);
    const { headers } = await signIn()
      .api.changePassword({
        headers: request.headers,
        body: { currentPassword: current, newPassword: next, revokeOtherSessions: true },
        returnHeaders: true,
      })
      .catch((error) => {
        throw isAPIError(error) && error.statusCode === 400
          ? new Problem('wrong-credentials', 'That is not your current password.')
          : error;
      });
    await noteEverywhere(connection, person, 'password-changed');
    await tellOfNewPassword(person.email);
    const done = answer({});
    for (const cookie of headers.getSetCookie()) done.headers.append('Set-Cookie', cookie);
    return done;
  });
