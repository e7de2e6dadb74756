import { sql } from 'kysely';
import { databaseState, hasRoom } from '@/data/room';
import { version } from '@/package.json';
import { answer } from '../answers';
import { answerAnyone } from '../gate';

export const dynamic = 'force-dynamic';

/**
 * Whether the application can do its work: 200, or 503 with the reason where the database is away. `disk` is `full` while
 * nothing more is taken; what is there can be read.
 */
export const GET = (request: Request): Promise<Response> =>
  answerAnyone(request, async ({ connection }) => {
    const state = await databaseState();
    const disk = (await hasRoom()) ? 'ok' : 'full';
    const about = { disk, restarts: state?.restarts ?? 0, version };
    try {
      await sql`select 1`.execute(connection);
      return answer({ status: disk === 'ok' ? 'ok' : 'failing', database: 'ok', ...about });
    } catch (error) {
      const reason = error instanceof Error && 'code' in error ? String(error.code) : 'no answer';
      const gone = { goneSince: state?.goneSince ?? null, restarting: state?.reason ?? null };
      return answer({ status: 'failing', database: 'away', reason, ...gone, ...about }, 503);
    }
  });
