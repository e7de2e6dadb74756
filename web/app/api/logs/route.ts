import { z } from 'zod';
import { protocol } from '@/contract/protocol';
import { logHeads } from '@/data/log-pages';
import { sweepSoon } from '@/data/photos/sweep';
import { addressPart, answer } from '../answers';
import { answerMember } from '../gate';

const sinceSchema = z
  .string()
  .regex(/^\d{1,20}$/)
  .nullable();

/** How far the firm's logs go, all or those that grew since: what a browser asks to learn whether it has missed anything. */
export const GET = (request: Request): Promise<Response> =>
  answerMember(request, 'viewer', async ({ firm }) => {
    sweepSoon(firm);
    return answer({
      protocol,
      now: new Date().toISOString(),
      ...(await logHeads(
        firm,
        addressPart(new URL(request.url).searchParams.get('since'), sinceSchema, 'such cursor'),
      )),
    });
  });
