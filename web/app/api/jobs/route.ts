import { newJob } from '@/contract/requests';
import { listJobs } from '@/data/jobs';
import { openJob } from '@/data/logs';
import { answer, bodyOf } from '../answers';
import { answerAppended } from '../batches';
import { answerMember } from '../gate';

export const GET = (request: Request): Promise<Response> =>
  answerMember(request, 'viewer', async ({ firm }) => answer({ jobs: await listJobs(firm) }));

export const POST = (request: Request): Promise<Response> =>
  answerMember(request, 'inspector', async (asked) => {
    const { job, entries } = await bodyOf(request, newJob);
    return answerAppended(await openJob(asked.firm, asked, job, entries));
  });
