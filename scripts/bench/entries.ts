import type { JobStatement } from '@fair-plug/core/log';
import type { APIRequestContext } from 'playwright-core';
import { v7 } from 'uuid';
import { author } from '../demo/ids.ts';

/** Makes entries of one device, a second apart, the first so many seconds ago. */
export function entriesSince(seconds: number) {
  const device = v7();
  let time = Date.now() - seconds * 1000;
  return (statement: JobStatement) => {
    time += 1000;
    return { id: v7(), device, author, at: new Date(time).toISOString(), ...statement };
  };
}

/** Puts a whole job onto the server, in batches; answers its id. */
export async function uploadedJob(
  request: APIRequestContext,
  origin: string,
  log: readonly ReturnType<ReturnType<typeof entriesSince>>[],
): Promise<string> {
  const job = v7();
  for (let from = 0; from < log.length; from += 500) {
    const entries = log.slice(from, from + 500);
    const [path, data] =
      from === 0 ? ['/api/jobs', { job, entries }] : [`/api/jobs/${job}/entries`, { entries }];
    const answer = await request.post(`${origin}${path}`, { data, headers: { origin } });
    if (!answer.ok()) throw new Error(await answer.text());
  }
  return job;
}
