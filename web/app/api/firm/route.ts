import { firmName } from '@/contract/requests';
import { renameFirm } from '@/data/people';
import { answer, bodyOf } from '../answers';
import { answerMember } from '../gate';

export const PATCH = (request: Request): Promise<Response> =>
  answerMember(request, 'owner', async ({ firm, person }) => {
    const { name } = await bodyOf(request, firmName);
    await renameFirm(firm, person, name);
    return answer({});
  });
