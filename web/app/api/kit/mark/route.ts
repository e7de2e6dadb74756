import { z } from 'zod';
import { markFrom } from '@/data/pictures';
import { answer, bodyOf, Problem } from '../../answers';
import { answerMember } from '../../gate';

const pictureSchema = z.strictObject({ picture: z.string().max(1_000_000) });

/** Makes of a picture the mark that an entry may hold: decoded, no larger than it is printed, and encoded anew. */
export const POST = (request: Request): Promise<Response> =>
  answerMember(request, 'owner', async () => {
    const { picture } = await bodyOf(request, pictureSchema);
    const mark = await markFrom(picture);
    if (mark === null)
      throw new Problem('invalid', 'This is no picture that can be read. Try a PNG or a JPEG.');
    return answer({ mark });
  });
