import { idSchema } from '@fair-plug/core/log';
import { z } from 'zod';
import { leavingPhoto, leavingSizes } from '@/data/photos/leaving';
import { addressPart, answerPicture, Problem } from '../../../../answers';
import { answerMember } from '../../../../gate';

interface Address {
  readonly params: Promise<{ job: string; photo: string }>;
}

/** A photo as it may leave the firm: blurred where somebody blurred it, with what is drawn on it. */
export const GET = (request: Request, { params }: Address): Promise<Response> =>
  answerMember(request, 'viewer', async ({ firm }) => {
    const { job, photo } = await params;
    const size = addressPart(
      new URL(request.url).searchParams.get('size') ?? 'large',
      z.enum(leavingSizes),
      'photo of that size',
    );
    const bytes = await leavingPhoto(
      firm,
      addressPart(job, idSchema(), 'such job'),
      addressPart(photo, idSchema(), 'such photo'),
      size,
    );
    if (bytes === null) throw new Problem('not-found', 'There is no such photo here.');
    return answerPicture(new Uint8Array(bytes));
  });
