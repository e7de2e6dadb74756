import { noteEverywhere } from '@/data/audit';
import { demoAccount } from '@/data/demo';
import { answer, Problem } from '../answers';
import { answerAnyone } from '../gate';
import { signedIn } from '../signed-in';

/** Signs in as the demo's owner, where the server was started for that. */
export const POST = (request: Request): Promise<Response> =>
  answerAnyone(request, async ({ connection }) => {
    const account = demoAccount();
    if (account === null) throw new Problem('not-found', 'There is no demo here.');
    const { user, cookies } = await signedIn(request, connection, account);
    if (user === null) throw new Problem('not-found', 'There is no demo here.');
    await noteEverywhere(connection, user, 'signed-in');
    return cookies(answer({}));
  });
