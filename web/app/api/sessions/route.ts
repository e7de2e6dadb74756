import { noteEverywhere } from '@/data/audit';
import { signIn } from '@/data/sign-in';
import { answer } from '../answers';
import { answerPerson } from '../gate';

/** Signs out everywhere, here included. */
export const DELETE = (request: Request): Promise<Response> =>
  answerPerson(request, async ({ connection, person }) => {
    await signIn().api.revokeSessions({ headers: request.headers });
    await noteEverywhere(connection, person, 'signed-out-everywhere');
    return answer({});
  });
