import { firstRun } from '@/contract/requests';
import { makeFirstFirm } from '@/data/first-run';
import { signIn } from '@/data/sign-in';
import { answer, bodyOf, Problem } from '../answers';
import { answerAnyone, limit, sourceOf } from '../gate';
import { signedIn } from '../signed-in';

/** Makes the first firm and its owner, in an empty database only, and signs the owner in. */
export const POST = (request: Request): Promise<Response> =>
  answerAnyone(request, async ({ connection }) => {
    const { firm, owner } = await bodyOf(request, firstRun);
    await limit('join-source', sourceOf(request));
    if (!(await makeFirstFirm(connection, firm, owner)))
      throw new Problem('not-allowed', 'There is a firm already. Ask its owner for an invitation.');
    const { cookies } = await signedIn(signIn(), owner);
    return cookies(answer({}, 201));
  });
