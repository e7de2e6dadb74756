import { newJob } from '@/contract/requests';
import { summarizeSoon } from '@/data/assessor';
import { listJobs } from '@/data/jobs';
import { openJob } from '@/data/logs';
import { answer, bodyOf } from '../answers';
import { answerAppended } from '../batches';
import { answerMember, limit, needRoom } from '../gate';

export const GET = (request: Request): Promise<Response> =>
  answerMember(request, 'viewer', async ({ firm }) => answer({ jobs: await listJobs(firm) }));

export const POST = (request: Request): Promise<Response> =>
  answerMember(request, 'inspector', async (asked) => {
    await needRoom();
    await limit('entries-person', asked.person.id);
    const { job, entries, links } = await bodyOf(request, newJob);
    const result = await openJob(asked.firm, asked, job, entries, links);
    if (result.kind === 'appended') summarizeSoon(asked.firm, job);
    return answerAppended(result);
  });
