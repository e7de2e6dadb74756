import { auditTrail } from '@/data/audit';
import { answer } from '../answers';
import { answerMember } from '../gate';

export const GET = (request: Request): Promise<Response> =>
  answerMember(request, 'owner', async ({ firm }) => answer({ lines: await auditTrail(firm) }));
