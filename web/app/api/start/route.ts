import { demoEmail, hasDemo } from '@/data/demo';
import { hasFirms } from '@/data/firm-data';
import { answer } from '../answers';
import { answerAnyone } from '../gate';

/** What the sign-in page offers: to make the first firm, or to open the demo. */
export const GET = (request: Request): Promise<Response> =>
  answerAnyone(request, async ({ connection }) => {
    const demo = await connection
      .selectFrom('person')
      .select('id')
      .where('email', '=', demoEmail)
      .executeTakeFirst();
    return answer({ firstRun: !(await hasFirms(connection)), demo: hasDemo() && demo !== undefined });
  });
