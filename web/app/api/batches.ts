import { type Entry, ownersKinds } from '@fair-plug/core/log';
import { z } from 'zod';
import { note } from '@/data/audit';
import type { AppendResult } from '@/data/logs';
import { strangersAmong } from '@/data/people';
import { answer, Problem } from './answers';
import type { AskedByMember } from './gate';

/** Sequence number after which a page of entries starts. */
export const cursorSchema = z.coerce.number().int().min(0).max(2_147_483_647);

/**
 * Everybody sends their own entries; an owner may hand in those of others of the firm, from a record that its author
 * could not send or from a job file.
 */
export async function needOwnEntries(
  { firm, person, role }: AskedByMember,
  entries: readonly Entry[],
): Promise<void> {
  const others = new Set(entries.map(({ author }) => author).filter((author) => author !== person.id));
  if (others.size === 0) return;
  if (role !== 'owner')
    throw new Problem('not-allowed', 'Entries of somebody else are handed in by an owner.');
  // A job may come from another firm, or from another installation: the audit names how many spoke there.
  const strangers = (await strangersAmong(firm, others)).length;
  const from = strangers === 0 ? '' : `, of ${strangers} people who never belonged to this firm`;
  await note(firm, person, 'record-imported', `${entries.length} entries${from}`);
}

/** Letterhead, schools and wordings are the owner's to settle. */
export function needOwnersWord({ role }: AskedByMember, entries: readonly Entry[]): void {
  if (role !== 'owner' && entries.some(({ kind }) => ownersKinds.includes(kind)))
    throw new Problem('not-allowed', 'The firm’s settings are changed by an owner.');
}

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
