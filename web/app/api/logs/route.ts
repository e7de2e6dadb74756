import { protocol } from '@/contract/protocol';
import { logHeads } from '@/data/logs';
import { answer } from '../answers';
import { answerMember } from '../gate';

/** Every log of the firm and how far it goes: what a browser asks to learn whether it has missed anything. */
export const GET = (request: Request): Promise<Response> =>
  answerMember(request, 'viewer', async ({ firm }) =>
    answer({ protocol, now: new Date().toISOString(), logs: await logHeads(firm) }),
  );
