import { credentials } from '@/contract/requests';
import { noteEverywhere, noteFailedSignIn } from '@/data/audit';
import { knownDevice } from '@/data/known-device';
import { log, loggable } from '@/data/log';
import { answer, bodyOf, Problem } from '../answers';
import { answerAnyone, limit, sourceOf } from '../gate';
import { signedIn } from '../signed-in';

/** Signs in; an unknown address and a wrong password get the same answer after the same work. */
export const POST = (request: Request): Promise<Response> =>
  answerAnyone(request, async ({ connection }) => {
    const { email, password } = await bodyOf(request, credentials);
    await limit('sign-in-source', sourceOf(request));
    const known = knownDevice(request.headers.get('cookie'), email);
    if (known === null) await limit('sign-in-address', email);
    else await limit('sign-in-known', known);
    const { user, cookies } = await signedIn(request, connection, { email, password });
    if (user === null) {
      // Beside the answer, which takes as long for an address that nobody has.
      void noteFailedSignIn(connection, email).catch((error) => log.error(loggable(error)));
      throw new Problem('wrong-credentials', 'Address and password do not match.');
    }
    await noteEverywhere(connection, user, 'signed-in');
    return cookies(answer({}));
  });
