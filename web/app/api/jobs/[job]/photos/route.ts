import { idSchema } from '@fair-plug/core/log';
import { photoStates } from '@/data/photos/arriving';
import { addressPart, answer, Problem } from '../../../answers';
import { answerMember } from '../../../gate';

/** Which of the photos that a job speaks of the server has. */
export const GET = (
  request: Request,
  { params }: { readonly params: Promise<{ job: string }> },
): Promise<Response> =>
  answerMember(request, 'viewer', async ({ firm }) => {
    const job = addressPart((await params).job, idSchema(), 'such job');
    const photos = await photoStates(firm, job);
    if (photos === null) throw new Problem('not-found', 'There is no such job.');
    return answer({ photos });
  });
