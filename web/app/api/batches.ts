import { idSchema, jobEntrySchema, kitEntrySchema } from '@fair-plug/core/inspection';
import { z } from 'zod';
import type { AppendResult } from '@/data/logs';
import { answer, Problem } from './answers';

/** Entries that travel together; all are stored or none. */
const batchOf = <S extends z.ZodType>(entry: S) => z.array(entry).min(1).max(500);

export const jobBatchSchema = z.strictObject({ entries: batchOf(jobEntrySchema) });
export const kitBatchSchema = z.strictObject({ entries: batchOf(kitEntrySchema) });
export const newJobSchema = z.strictObject({ job: idSchema, entries: batchOf(jobEntrySchema) });

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
  }
}
