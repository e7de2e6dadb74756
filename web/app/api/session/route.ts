import { answer } from '../answers';
import { answerPerson } from '../gate';

/** Who has signed in, and the firms that they belong to. */
export const GET = (request: Request): Promise<Response> =>
  answerPerson(request, async ({ person, firms }) => answer({ person, firms }));
