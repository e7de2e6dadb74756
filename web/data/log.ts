import { destination, pino } from 'pino';

const level = process.env.FAIRPLUG_LOG || 'error';

/** The server's own log: JSON lines without anybody's name, address or e-mail. */
export const log = pino({ level, base: null }, destination(level === 'error' ? 2 : 1));

/** What of an error may be written down: PostgreSQL's `detail` quotes rows, so it stays out. */
export function loggable(error: unknown): Record<string, unknown> {
  if (!(error instanceof Error)) return { error: typeof error };
  const code = 'code' in error ? String(error.code) : undefined;
  return { error: error.name, code, message: error.message, stack: error.stack };
}
