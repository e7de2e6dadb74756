import { hasDemo } from '@/data/demo';
import { mailer } from '@/data/mail';
import { answer, Problem } from '../answers';
import { answerAnyone } from '../gate';

/** The mail that would have been sent: only in demo mode, on this machine alone. */
export const GET = (request: Request): Promise<Response> =>
  answerAnyone(request, async () => {
    if (!hasDemo()) throw new Problem('not-found', 'There is no such page.');
    return answer({ messages: await mailer().messages() });
  });
