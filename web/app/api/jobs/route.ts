import { listJobs } from '@/data/jobs';
import { openJob } from '@/data/logs';
import { answer, bodyOf, respond } from '../answers';
import { answerAppended, newJobSchema } from '../batches';

export const GET = (): Promise<Response> =>
  respond(async ({ connection, session }) =>
    answer({ jobs: await listJobs(connection, session.organization.id) }),
  );

export const POST = (request: Request): Promise<Response> =>
  respond(async ({ connection, session }) => {
    const { job, entries } = await bodyOf(request, newJobSchema);
    return answerAppended(await openJob(connection, session.organization.id, job, entries));
  });
