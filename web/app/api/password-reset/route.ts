import { passwordReset } from '@/contract/requests';
import { log, loggable } from '@/data/log';
import { signIn } from '@/data/sign-in';
import { answer, bodyOf } from '../answers';
import { answerAnyone, limit, sourceOf } from '../gate';

/** Sends a link to set a new password, where the address is known. The answer comes before that is looked up. */
export const POST = (request: Request): Promise<Response> =>
  answerAnyone(request, async () => {
    const { email } = await bodyOf(request, passwordReset);
    await limit('reset-source', sourceOf(request));
    await limit('reset-address', email);
    void signIn()
      .api.requestPasswordReset({ body: { email: email.toLowerCase() } })
      .catch((error) => log.error(loggable(error)));
    return answer({}, 202);
  });
