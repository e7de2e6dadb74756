import { sql } from 'kysely';
import { version } from '@/package.json';
import { answer } from '../answers';
import { answerAnyone } from '../gate';

export const dynamic = 'force-dynamic';

/** Whether the application can do its work: 200, or 503 with the reason where the database is away. */
export const GET = (request: Request): Promise<Response> =>
  answerAnyone(request, async ({ connection }) => {
    try {
      await sql`select 1`.execute(connection);
      return answer({ status: 'ok', database: 'ok', version });
    } catch (error) {
      const reason = error instanceof Error && 'code' in error ? String(error.code) : 'no answer';
      return answer({ status: 'failing', database: 'away', reason, version }, 503);
    }
  });
