import { listPeople } from '@/data/people';
import { answer } from '../answers';
import { answerMember } from '../gate';

export const GET = (request: Request): Promise<Response> =>
  answerMember(request, 'owner', async ({ firm }) => answer({ people: await listPeople(firm) }));
