import { expectReport } from '@/data/report-pdf';
import { answer } from '../answers';
import { answerMember } from '../gate';

/** Makes ready to print a report, which whoever asks may want soon. */
export const POST = (request: Request): Promise<Response> =>
  answerMember(request, 'viewer', async () => {
    expectReport();
    return answer({});
  });
