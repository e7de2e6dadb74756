import { noteEverywhere } from '@/data/audit';
import { sessionsOf } from '@/data/sessions';
import { signIn } from '@/data/sign-in';
import { answer } from '../answers';
import { answerPerson } from '../gate';

/** Where one is signed in. */
export const GET = (request: Request): Promise<Response> =>
  answerPerson(request, async ({ connection, person, session }) =>
    answer({ sessions: await sessionsOf(connection, person.id, session) }),
  );

/** Signs out everywhere, here included. */
export const DELETE = (request: Request): Promise<Response> =>
  answerPerson(request, async ({ connection, person }) => {
    await signIn().api.revokeSessions({ headers: request.headers });
    await noteEverywhere(connection, person, 'signed-out-everywhere');
    return answer({});
  });
