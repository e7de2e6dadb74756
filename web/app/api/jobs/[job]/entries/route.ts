import { idSchema } from '@fair-plug/core/log';
import { jobBatch } from '@/contract/requests';
import { appendToJob, jobPage } from '@/data/logs';
import { addressPart, answer, bodyOf, Problem } from '../../../answers';
import { answerAppended, cursorSchema } from '../../../batches';
import { answerMember } from '../../../gate';

/** Entries of one answer; who wants more asks again from its cursor. */
const largestPage = 1000;

interface Address {
  readonly params: Promise<{ job: string }>;
}

export const GET = (request: Request, { params }: Address): Promise<Response> =>
  answerMember(request, 'viewer', async ({ firm }) => {
    const job = addressPart((await params).job, idSchema, 'such job');
    const after = addressPart(
      new URL(request.url).searchParams.get('after') ?? 0,
      cursorSchema,
      'page after that number',
    );
    const page = await jobPage(firm, job, after, largestPage);
    if (page === null) throw new Problem('not-found', 'There is no such job.');
    return answer(page);
  });

export const POST = (request: Request, { params }: Address): Promise<Response> =>
  answerMember(request, 'inspector', async (asked) => {
    const job = addressPart((await params).job, idSchema, 'such job');
    const { entries } = await bodyOf(request, jobBatch);
    return answerAppended(await appendToJob(asked.firm, asked, job, entries));
  });
