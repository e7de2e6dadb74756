import { credentials } from '@/contract/requests';
import { noteEverywhere, noteFailedSignIn } from '@/data/audit';
import { log, loggable } from '@/data/log';
import { signIn } from '@/data/sign-in';
import { answer, bodyOf, Problem } from '../answers';
import { answerAnyone, limit, sourceOf } from '../gate';
import { signedIn } from '../signed-in';

/** Signs in; an unknown address and a wrong password get the same answer after the same work. */
export const POST = (request: Request): Promise<Response> =>
  answerAnyone(request, async ({ connection }) => {
    const { email, password } = await bodyOf(request, credentials);
    await limit('sign-in-source', sourceOf(request));
    await limit('sign-in-address', email);
    const { user, cookies } = await signedIn(signIn(), { email, password });
    if (user === null) {
      // Beside the answer, which takes as long for an address that nobody has.
      void noteFailedSignIn(connection, email).catch((error) => log.error(loggable(error)));
      throw new Problem('wrong-credentials', 'Address and password do not match.');
    }
    await noteEverywhere(connection, user, 'signed-in');
    return cookies(answer({}));
  });
