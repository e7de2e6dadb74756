import { foldHouse, idSchema } from '@fair-plug/core/inspection';
import { note } from '@/data/audit';
import { jobPage } from '@/data/logs';
import { printReport } from '@/data/report-pdf';
import { addressPart, Problem } from '../../../answers';
import { answerMember } from '../../../gate';

export const GET = (
  request: Request,
  { params }: { readonly params: Promise<{ job: string }> },
): Promise<Response> =>
  answerMember(request, 'viewer', async ({ firm, person }) => {
    const job = addressPart((await params).job, idSchema, 'such job');
    const page = await jobPage(firm, job, 0);
    if (page === null) throw new Problem('not-found', 'There is no such job.');
    const { address } = foldHouse(page.entries);
    const name = `Report ${address}`.replace(/[^\p{L}\p{N} ,.-]+/gu, ' ').trim();
    await note(firm, person, 'report-exported', address);
    const cookies = request.headers.get('cookie') ?? '';
    return new Response(await printReport({ job, firm: firm.id, cookies }), {
      headers: {
        'Content-Type': 'application/pdf',
        'Content-Disposition': `attachment; filename="report.pdf"; filename*=UTF-8''${encodeURIComponent(`${name}.pdf`)}`,
        'Cache-Control': 'no-store',
      },
    });
  });
