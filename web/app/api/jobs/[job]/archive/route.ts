import { idSchema } from '@fair-plug/core/log';
import { note } from '@/data/audit';
import { jobNamed } from '@/data/jobs';
import { jobArchive } from '@/data/photos/archive';
import { addressPart, Problem } from '../../../answers';
import { answerMember, limit } from '../../../gate';

/** The whole job as one file: its log and its photos, as they may leave the firm. */
export const GET = (
  request: Request,
  { params }: { readonly params: Promise<{ job: string }> },
): Promise<Response> =>
  answerMember(request, 'viewer', async ({ firm, person }) => {
    const job = addressPart((await params).job, idSchema(), 'such job');
    await limit('report-person', person.id);
    const known = await jobNamed(firm, job);
    const archive = known === null ? null : await jobArchive(firm, job);
    if (known === null || archive === null) throw new Problem('not-found', 'There is no such job.');
    await note(firm, person, 'job-exported', known.address);
    const name = encodeURIComponent(
      `${`Job ${known.address}`.replace(/[^\p{L}\p{N} ,.-]+/gu, ' ').trim()}.zip`,
    );
    return new Response(archive, {
      headers: {
        'Content-Type': 'application/zip',
        'Content-Disposition': `attachment; filename*=UTF-8''${name}`,
        'Cache-Control': 'no-store',
      },
    });
  });
