import { firstRun } from '@/contract/requests';
import { makeFirstFirm } from '@/data/first-run';
import { answer, bodyOf, Problem } from '../answers';
import { answerAnyone, limit, refuseGuessable, sourceOf } from '../gate';
import { signedIn } from '../signed-in';

/** Makes the first firm and its owner, in an empty database only, and signs the owner in. */
export const POST = (request: Request): Promise<Response> =>
  answerAnyone(request, async ({ connection }) => {
    const { firm, owner } = await bodyOf(request, firstRun);
    await limit('join-source', sourceOf(request));
    refuseGuessable(owner.password, owner);
    if (!(await makeFirstFirm(connection, firm, owner)))
      throw new Problem('not-allowed', 'There is a firm already. Ask its owner for an invitation.');
    const { cookies } = await signedIn(request, connection, owner);
    return cookies(answer({}, 201));
  });
