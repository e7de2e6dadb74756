import { appendToKit, kitPage } from '@/data/logs';
import { answer, bodyOf, Problem, respond } from '../../answers';
import { answerAppended, kitBatchSchema } from '../../batches';

export const GET = (): Promise<Response> =>
  respond(async ({ connection, session }) => {
    const page = await kitPage(connection, session.organization.id, 0);
    if (page === null) throw new Problem('not-found', 'There is no kit.');
    return answer(page);
  });

export const POST = (request: Request): Promise<Response> =>
  respond(async ({ connection, session }) => {
    const { entries } = await bodyOf(request, kitBatchSchema);
    return answerAppended(await appendToKit(connection, session.organization.id, entries));
  });
