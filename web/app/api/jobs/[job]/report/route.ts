import { idSchema } from '@fair-plug/core/log';
import { ownerLanguages } from '@fair-plug/core/words';
import { z } from 'zod';
import type { PrintLine } from '@/contract/answers';
import { note } from '@/data/audit';
import { jobNamed } from '@/data/jobs';
import { log, loggable } from '@/data/log';
import { TooManyReports } from '@/data/print-queue';
import { printReport } from '@/data/report-pdf';
import { addressPart, bodyOf, Problem } from '../../../answers';
import { answerMember, limit } from '../../../gate';

const wantedSchema = z.strictObject({
  language: z.enum(ownerLanguages),
  /** IANA name, as the asker's device has it: times in the report are theirs. */
  timeZone: z.string().max(60).optional(),
});

/** Prints a job's report, and tells how far it is, a line of JSON at a time. Ending the request ends the work. */
export const POST = (
  request: Request,
  { params }: { readonly params: Promise<{ job: string }> },
): Promise<Response> =>
  answerMember(request, 'viewer', async ({ firm, person }) => {
    const job = addressPart((await params).job, idSchema(), 'such job');
    const { language, timeZone } = await bodyOf(request, wantedSchema);
    await limit('report-person', person.id);
    const known = await jobNamed(firm, job);
    if (known === null) throw new Problem('not-found', 'There is no such job.');
    const { address } = known;
    await note(firm, person, 'report-exported', address);
    const name = `${`Report ${address}`.replace(/[^\p{L}\p{N} ,.-]+/gu, ' ').trim()}.pdf`;
    const cookies = request.headers.get('cookie') ?? '';
    const ended = new AbortController();
    request.signal.addEventListener('abort', () => ended.abort());
    const encoder = new TextEncoder();
    const lines = new ReadableStream<Uint8Array>({
      async start(controller) {
        const send = (line: PrintLine): void => {
          if (!ended.signal.aborted) controller.enqueue(encoder.encode(`${JSON.stringify(line)}\n`));
        };
        try {
          const pdf = await printReport({
            job,
            firm: firm.id,
            person: person.id,
            cookies,
            language,
            timeZone: timeZone ?? null,
            signal: ended.signal,
            onStage: (stage, before) => send({ stage, ...(before === undefined ? {} : { before }) }),
          });
          send({ stage: 'done', name, pdf: Buffer.from(pdf).toString('base64') });
        } catch (error) {
          if (!ended.signal.aborted) {
            const isOwn = error instanceof TooManyReports;
            if (!isOwn) log.error(loggable(error));
            send({
              stage: 'failed',
              message: isOwn
                ? 'You have several reports under way. Wait for one of them.'
                : 'The report could not be printed. Try again.',
            });
          }
        }
        if (!ended.signal.aborted) controller.close();
      },
      cancel: () => ended.abort(),
    });
    return new Response(lines, {
      headers: { 'Content-Type': 'application/x-ndjson', 'Cache-Control': 'no-store' },
    });
  });
