import { z } from 'zod';
import type { AppendResult } from '@/data/logs';
import { answer, Problem } from './answers';

/** Sequence number after which a page of entries starts. */
export const cursorSchema = z.coerce.number().int().min(0).max(2_147_483_647);

export function answerAppended(result: AppendResult): Response {
  switch (result.kind) {
    case 'appended':
      return answer({ stored: result.stored, known: result.known, cursor: result.cursor });
    case 'no-such-log':
      throw new Problem('not-found', 'There is no such job. Nothing was stored.');
    case 'conflict':
      throw new Problem(
        'conflict',
        `Entry ${result.entry} stands already with other content. Nothing was stored.`,
      );
    case 'clock':
      throw new Problem(
        'clock',
        `The time of entry ${result.entry} is no time, or more than a day ahead of the server’s. Nothing was stored.`,
      );
    case 'chain':
      throw new Problem(
        'chain',
        `What its device entered before ${result.entry ?? 'a link'} is not what stands here, or it was altered. Nothing was stored.`,
        { chain: { device: result.device, head: result.head } },
      );
    case 'refused':
      throw new Problem('refused', `${result.message} Nothing was stored.`);
    case 'waits':
      throw new Problem(
        'waits',
        `Entry ${result.entry} takes back what is not here yet. Nothing was stored.`,
      );
  }
}
