import { readFile } from 'node:fs/promises';
import { join } from 'node:path';

export const dynamic = 'force-dynamic';

/** The service worker, which the build has put beside the application; there is none in development. */
export async function GET(): Promise<Response> {
  const file = join(process.cwd(), process.env.FAIRPLUG_DIST || '.next', 'service-worker.js');
  const text = await readFile(file, 'utf8').catch(() => null);
  if (text === null) return new Response('', { status: 404 });
  return new Response(text, {
    headers: { 'Content-Type': 'text/javascript; charset=utf-8', 'Cache-Control': 'no-cache' },
  });
}
