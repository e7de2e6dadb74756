import { listNames } from '@/data/people';
import { answer } from '../answers';
import { answerMember } from '../gate';

/** Whose entries one may meet, by name alone. */
export const GET = (request: Request): Promise<Response> =>
  answerMember(request, 'viewer', async ({ firm }) => answer({ people: await listNames(firm) }));
