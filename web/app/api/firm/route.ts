import { z } from 'zod';
import { renameFirm } from '@/data/people';
import { answer, bodyOf } from '../answers';
import { answerMember } from '../gate';
import { nameSchema } from '../people';

const schema = z.strictObject({ name: nameSchema });

export const PATCH = (request: Request): Promise<Response> =>
  answerMember(request, 'owner', async ({ firm, person }) => {
    const { name } = await bodyOf(request, schema);
    await renameFirm(firm, person, name);
    return answer({});
  });
