import { foldHouse, idSchema } from '@fair-plug/core/inspection';
import { jobPage } from '@/data/logs';
import { printReport } from '@/data/report-pdf';
import { addressPart, Problem, respond } from '../../../answers';

export const GET = (
  _request: Request,
  { params }: { readonly params: Promise<{ job: string }> },
): Promise<Response> =>
  respond(async ({ connection, session }) => {
    const job = addressPart((await params).job, idSchema, 'such job');
    const page = await jobPage(connection, session.organization.id, job, 0);
    if (page === null) throw new Problem('not-found', 'There is no such job.');
    const { address } = foldHouse(page.entries);
    const name = `Report ${address}`.replace(/[^\p{L}\p{N} ,.-]+/gu, ' ').trim();
    return new Response(await printReport(job), {
      headers: {
        'Content-Type': 'application/pdf',
        'Content-Disposition': `attachment; filename="report.pdf"; filename*=UTF-8''${encodeURIComponent(`${name}.pdf`)}`,
        'Cache-Control': 'no-store',
      },
    });
  });
