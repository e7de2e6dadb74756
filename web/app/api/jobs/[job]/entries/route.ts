import { idSchema } from '@fair-plug/core/log';
import { jobBatch } from '@/contract/requests';
import { summarizeSoon } from '@/data/assessor';
import { jobPage } from '@/data/log-pages';
import { appendToJob } from '@/data/logs';
import { addressPart, answer, bodyOf, Problem } from '../../../answers';
import { answerAppended, cursorSchema } from '../../../batches';
import { answerMember, limit, needRoom } from '../../../gate';

/** Entries of one answer; who wants more asks again from its cursor. */
const largestPage = 1000;

interface Address {
  readonly params: Promise<{ job: string }>;
}

export const GET = (request: Request, { params }: Address): Promise<Response> =>
  answerMember(request, 'viewer', async ({ firm }) => {
    const job = addressPart((await params).job, idSchema(), 'such job');
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
    await needRoom();
    await limit('entries-person', asked.person.id);
    const job = addressPart((await params).job, idSchema(), 'such job');
    const { entries, links } = await bodyOf(request, jobBatch);
    const result = await appendToJob(asked.firm, asked, job, entries, links);
    if (result.kind === 'appended') summarizeSoon(asked.firm, job);
    return answerAppended(result);
  });
