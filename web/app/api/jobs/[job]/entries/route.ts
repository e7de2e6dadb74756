import { idSchema } from '@fair-plug/core/inspection';
import { appendToJob, jobPage } from '@/data/logs';
import { addressPart, answer, bodyOf, Problem, respond } from '../../../answers';
import { answerAppended, cursorSchema, jobBatchSchema } from '../../../batches';

interface Address {
  readonly params: Promise<{ job: string }>;
}

export const GET = (request: Request, { params }: Address): Promise<Response> =>
  respond(async ({ connection, session }) => {
    const job = addressPart((await params).job, idSchema, 'such job');
    const after = addressPart(
      new URL(request.url).searchParams.get('after') ?? 0,
      cursorSchema,
      'page after that number',
    );
    const page = await jobPage(connection, session.organization.id, job, after);
    if (page === null) throw new Problem('not-found', 'There is no such job.');
    return answer(page);
  });

export const POST = (request: Request, { params }: Address): Promise<Response> =>
  respond(async ({ connection, session }) => {
    const job = addressPart((await params).job, idSchema, 'such job');
    const { entries } = await bodyOf(request, jobBatchSchema);
    return answerAppended(await appendToJob(connection, session.organization.id, job, entries));
  });
