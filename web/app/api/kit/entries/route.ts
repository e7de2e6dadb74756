import { kitBatch } from '@/contract/requests';
import { kitPage } from '@/data/log-pages';
import { appendToKit } from '@/data/logs';
import { isPrintable } from '@/data/pictures';
import { addressPart, answer, bodyOf, Problem } from '../../answers';
import { answerAppended, cursorSchema } from '../../batches';
import { answerMember, limit, needRoom } from '../../gate';

export const GET = (request: Request): Promise<Response> =>
  answerMember(request, 'viewer', async ({ firm }) => {
    const query = new URL(request.url).searchParams.get('after') ?? 0;
    const page = await kitPage(firm, addressPart(query, cursorSchema, 'page after that number'));
    if (page === null) throw new Problem('not-found', 'There is no kit.');
    return answer(page);
  });

export const POST = (request: Request): Promise<Response> =>
  answerMember(request, 'inspector', async (asked) => {
    await needRoom();
    await limit('entries-person', asked.person.id);
    const { entries, links } = await bodyOf(request, kitBatch);
    for (const entry of entries)
      if (entry.kind === 'letterhead-described' && entry.mark != null && !(await isPrintable(entry.mark)))
        throw new Problem('refused', 'The letterhead’s mark is no picture that prints. Nothing was stored.');
    return answerAppended(await appendToKit(asked.firm, asked, entries, links));
  });
