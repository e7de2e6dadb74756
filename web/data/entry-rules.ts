import { type Entry, ownersKinds } from '@fair-plug/core/log';
import type { Transaction } from 'kysely';
import type { Role } from '../contract/answers.ts';
import { noteIn } from './audit.ts';
import type { FirmData, Named } from './firm-data.ts';
import type { Database } from './schema.ts';

/** Who hands entries in, and as what they belong to the firm. */
export interface HandedInBy {
  readonly person: Named;
  readonly role: Role;
}

/** Why entries are not taken, in words; or that they are to be sent again once what they name is there. */
export type Refusal =
  | { readonly kind: 'refused'; readonly message: string }
  | { readonly kind: 'waits'; readonly entry: string };

const refused = (message: string): Refusal => ({ kind: 'refused', message });

/**
 * What somebody may enter. Everybody enters in their own name; an owner may hand in what others entered (a record that
 * its author could not send, a job file), but signs for nobody. The firm’s settings are an owner’s. A withdrawal is for
 * the author of what it names, or an owner, and waits for what it names.
 */
export async function refusalOf(
  transaction: Transaction<Database>,
  firm: FirmData,
  log: string,
  { person, role }: HandedInBy,
  entries: readonly Entry[],
): Promise<Refusal | null> {
  const others = entries.filter(({ author }) => author !== person.id);
  if (role !== 'owner') {
    if (others.length > 0) return refused('Entries of somebody else are handed in by an owner.');
    if (entries.some(({ kind }) => ownersKinds.includes(kind)))
      return refused('The firm’s settings are changed by an owner.');
  }
  const signed = new Set(others.filter(({ kind }) => kind === 'signed').map(({ author }) => author));
  if (signed.size > 0 && (await membersAmong(transaction, firm, signed)).size > 0)
    return refused('A signature is handed in by whoever signed.');
  return withdrawalRefused(transaction, firm, log, { person, role }, entries);
}

async function withdrawalRefused(
  transaction: Transaction<Database>,
  firm: FirmData,
  log: string,
  { person, role }: HandedInBy,
  entries: readonly Entry[],
): Promise<Refusal | null> {
  const withdrawals = entries.filter((entry) => entry.kind === 'withdrawn');
  if (withdrawals.length === 0) return null;
  const named = [...new Set(withdrawals.flatMap((one) => one.entries))];
  const rows = await transaction
    .selectFrom('entry')
    .select(['id', 'body'])
    .where('organization', '=', firm.id)
    .where('log', '=', log)
    .where('id', 'in', named)
    .execute();
  const known = new Map([...entries, ...rows.map(({ body }) => body)].map((entry) => [entry.id, entry]));
  for (const withdrawal of withdrawals)
    for (const id of withdrawal.entries) {
      const entry = known.get(id);
      if (entry === undefined) return { kind: 'waits', entry: withdrawal.id };
      if (role === 'owner') continue;
      if (entry.author !== person.id)
        return refused('What somebody else entered is taken back by them, or by an owner.');
      if (ownersKinds.includes(entry.kind)) return refused('The firm’s settings are changed by an owner.');
    }
  return null;
}

async function membersAmong(
  transaction: Transaction<Database>,
  firm: FirmData,
  people: ReadonlySet<string>,
): Promise<ReadonlySet<string>> {
  const rows = await transaction
    .selectFrom('membership')
    .select('person')
    .where('organization', '=', firm.id)
    .where('person', 'in', [...people])
    .execute();
  return new Set(rows.map(({ person }) => person));
}

/** Says in the firm’s trail that entries of others were handed in: of those that were stored, with the rest of the transaction. */
export async function noteHandedIn(
  transaction: Transaction<Database>,
  firm: FirmData,
  { person }: HandedInBy,
  stored: readonly Entry[],
): Promise<void> {
  const others = stored.filter(({ author }) => author !== person.id);
  if (others.length === 0) return;
  const authors = new Set(others.map(({ author }) => author));
  // A job may come from another firm, or from another installation: the trail names how many spoke there.
  const strangers = authors.size - (await membersAmong(transaction, firm, authors)).size;
  const from = strangers === 0 ? '' : `, of ${strangers} people who never belonged to this firm`;
  await noteIn(transaction, firm, person, 'record-imported', `${others.length} entries${from}`);
}
