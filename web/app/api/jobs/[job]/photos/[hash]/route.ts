import { mostPhotoBytes } from '@fair-plug/core/knowledge';
import { hashSchema, idSchema } from '@fair-plug/core/log';
import { z } from 'zod';
import { mostPiece } from '@/contract/limits';
import { isSpokenOf, takePiece } from '@/data/photos/arriving';
import { photoStore } from '@/data/photos/store';
import { addressPart, answer, answerPicture, Problem, rawBodyOf } from '../../../../answers';
import { answerMember, limit, needRoom } from '../../../../gate';

interface Address {
  readonly params: Promise<{ job: string; hash: string }>;
}

async function named({ params }: Address) {
  const { job, hash } = await params;
  return {
    job: addressPart(job, idSchema(), 'such job'),
    hash: addressPart(hash, hashSchema(), 'such photo'),
  };
}

/** A photo as it is kept, for those of the firm: whole or small. */
export const GET = (request: Request, address: Address): Promise<Response> =>
  answerMember(request, 'viewer', async ({ firm }) => {
    const { job, hash } = await named(address);
    const isSmall = new URL(request.url).searchParams.get('version') === 'small';
    const store = photoStore();
    const found = (await isSpokenOf(firm, job, hash))
      ? ((await store.get(firm, { hash, version: isSmall ? 'small' : 'whole' })) ??
        (isSmall ? null : await store.get(firm, { hash, version: 'stand-in' })))
      : null;
    if (found === null) throw new Problem('not-found', 'There is no such photo here.');
    return answerPicture(found);
  });

const pieceSchema = z.strictObject({
  from: z.coerce.number().int().min(0).max(mostPhotoBytes),
  total: z.coerce.number().int().min(1).max(mostPhotoBytes),
  /** Of a stand-in: ids of the blurs that are burnt into it, with commas between them. */
  burnt: z
    .string()
    .max(4000)
    .transform((ids) => ids.split(',').filter((id) => id !== ''))
    .pipe(z.array(idSchema()).max(100))
    .optional(),
});

/** Takes a piece of a photo that an entry spoke of before, and says how much of it is here. */
export const PUT = (request: Request, address: Address): Promise<Response> =>
  answerMember(request, 'inspector', async ({ firm, person }) => {
    await needRoom();
    await limit('photos-person', person.id);
    const { job, hash } = await named(address);
    const { firm: _, ...query } = Object.fromEntries(new URL(request.url).searchParams);
    const asked = pieceSchema.safeParse(query);
    if (!asked.success)
      throw new Problem(
        'invalid',
        `A piece says where it begins, and of how many bytes; at most ${mostPhotoBytes}.`,
      );
    const { from, total, burnt = null } = asked.data;
    const bytes = await rawBodyOf(request, mostPiece);
    const arrived = await takePiece(firm, { job, hash, from, total, bytes, burnt });
    switch (arrived.kind) {
      case 'arrived':
        return answer({ have: arrived.have, isThere: arrived.isThere });
      case 'waits':
        throw new Problem('waits', 'No entry of this job speaks of this photo yet. Nothing was stored.');
      case 'no-such-job':
        throw new Problem('not-found', 'There is no such job. Nothing was stored.');
      case 'refused':
        throw new Problem('refused', `This photo is not taken. ${arrived.message} Nothing was stored.`);
    }
  });
