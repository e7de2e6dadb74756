import { createHash, randomBytes } from 'node:crypto';
import type { Transaction } from 'kysely';
import { v7 } from 'uuid';
import type { Invitation, Offer, Role } from '../contract/answers.ts';
import { noteIn } from './audit.ts';
import { insertPerson, type NewPerson } from './credentials.ts';
import type { Connection } from './database.ts';
import { FirmData, type Named, onBehalfOf } from './firm-data.ts';
import { hashPassword } from './password-hashes.ts';
import type { Database } from './schema.ts';

const daysOpen = 7;
const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');

export interface NewInvitation {
  readonly role: Role;
  readonly email: string | null;
}

/** Makes a link's token; it is told this once and kept only as a hash. */
export async function invite(
  firm: FirmData,
  by: Named,
  { role, email }: NewInvitation,
): Promise<Invitation & { readonly token: string }> {
  const token = randomBytes(32).toString('base64url');
  const id = v7();
  const expiresAt = new Date(Date.now() + daysOpen * 86_400_000);
  await firm.transaction(async (transaction) => {
    await transaction
      .insertInto('invitation')
      .values({
        organization: firm.id,
        id,
        token_hash: hashOf(token),
        firm_name: firm.name,
        inviter: by.id,
        inviter_name: by.name,
        email,
        role,
        expires_at: expiresAt,
      })
      .execute();
    await noteIn(transaction, firm, by, 'invited', email === null ? role : `${email}: ${role}`);
  });
  return { id, email, role, expiresAt: expiresAt.toISOString(), token };
}

/** Invitations that can still be taken up. */
export async function openInvitations(firm: FirmData): Promise<readonly Invitation[]> {
  const rows = await firm.transaction((transaction) =>
    transaction
      .selectFrom('invitation')
      .select(['id', 'email', 'role', 'expires_at'])
      .where('organization', '=', firm.id)
      .where('settled_at', 'is', null)
      .where('expires_at', '>', new Date())
      .orderBy('created_at')
      .execute(),
  );
  return rows.map(({ expires_at, ...row }) => ({ ...row, expiresAt: expires_at.toISOString() }));
}

/** Ends the open invitations that somebody made: they may no longer make them. Answers how many those were. */
export async function endInvitationsOf(
  transaction: Transaction<Database>,
  firm: FirmData,
  inviter: Named,
): Promise<number> {
  const ended = await transaction
    .updateTable('invitation')
    .set({ settled_at: new Date() })
    .where('organization', '=', firm.id)
    .where('settled_at', 'is', null)
    .where((is) =>
      is.or([
        is('inviter', '=', inviter.id),
        // Made before it was kept by whom: the name is all that is known.
        is.and([is('inviter', 'is', null), is('inviter_name', '=', inviter.name)]),
      ]),
    )
    .returning('id')
    .execute();
  return ended.length;
}

/** True where there was such an open invitation. */
export async function withdrawInvitation(firm: FirmData, by: Named, id: string): Promise<boolean> {
  return firm.transaction(async (transaction) => {
    const withdrawn = await transaction
      .updateTable('invitation')
      .set({ settled_at: new Date() })
      .where('organization', '=', firm.id)
      .where('id', '=', id)
      .where('settled_at', 'is', null)
      .returning(['role', 'email'])
      .executeTakeFirst();
    if (withdrawn === undefined) return false;
    await noteIn(transaction, firm, by, 'invitation-withdrawn', withdrawn.email ?? withdrawn.role);
    return true;
  });
}

/** What a link offers; null where it is unknown, taken up, withdrawn or out of date. */
export async function offerOf(connection: Connection, token: string): Promise<Offer | null> {
  const row = await connection.transaction().execute(async (transaction) => {
    await onBehalfOf(transaction, { invitation: hashOf(token) });
    return transaction
      .selectFrom('invitation')
      .select(['organization', 'firm_name', 'inviter_name', 'email', 'role'])
      .where('token_hash', '=', hashOf(token))
      .where('settled_at', 'is', null)
      .where('expires_at', '>', new Date())
      .executeTakeFirst();
  });
  if (row === undefined) return null;
  return {
    firm: { id: row.organization, name: row.firm_name },
    inviter: row.inviter_name,
    email: row.email,
    role: row.role,
  };
}

/** Addresses are one however they are written. */
export const isFor = ({ email }: Pick<Offer, 'email'>, address: string): boolean =>
  email === null || email.trim().toLowerCase() === address.trim().toLowerCase();

/** Undone as a whole: the link was taken up by somebody else meanwhile. */
class TooLate extends Error {}

/** Takes a link up within a transaction; throws TooLate where it is no longer good. */
async function settle(
  transaction: Transaction<Database>,
  { firm, role }: Offer,
  token: string,
  person: string,
): Promise<void> {
  const settled = await transaction
    .updateTable('invitation')
    .set({ settled_at: new Date() })
    .where('organization', '=', firm.id)
    .where('token_hash', '=', hashOf(token))
    .where('settled_at', 'is', null)
    .returning('id')
    .executeTakeFirst();
  if (settled === undefined) throw new TooLate();
  const before = await transaction
    .selectFrom('membership')
    .select(['role', 'removed_at'])
    .where('organization', '=', firm.id)
    .where('person', '=', person)
    .executeTakeFirst();
  // Who belongs to the firm already keeps what they may do.
  if (before === undefined)
    await transaction.insertInto('membership').values({ organization: firm.id, person, role }).execute();
  else if (before.removed_at !== null)
    await transaction
      .updateTable('membership')
      .set({ role, removed_at: null })
      .where('organization', '=', firm.id)
      .where('person', '=', person)
      .execute();
}

/** Works in one transaction of the firm that invites; null where the link is no longer good by then. */
async function inFirmOf<T>(
  connection: Connection,
  offer: Offer,
  work: (transaction: Transaction<Database>) => Promise<T>,
): Promise<T | null> {
  try {
    return await connection.transaction().execute(async (transaction) => {
      await onBehalfOf(transaction, { firm: offer.firm.id });
      return work(transaction);
    });
  } catch (error) {
    if (error instanceof TooLate) return null;
    throw error;
  }
}

/**
 * Takes a link up for a person, once; answers the firm joined, or null where the link is no longer good or is for
 * somebody else's address.
 */
export async function join(connection: Connection, token: string, person: Named): Promise<FirmData | null> {
  const offer = await offerOf(connection, token);
  if (offer === null) return null;
  const { email } = await connection
    .selectFrom('person')
    .select('email')
    .where('id', '=', person.id)
    .executeTakeFirstOrThrow();
  if (!isFor(offer, email)) return null;
  const taken = await inFirmOf(connection, offer, async (transaction) => {
    await settle(transaction, offer, token, person.id);
    return true;
  });
  return taken === null ? null : noted(connection, offer, person);
}

/**
 * Takes a link up for somebody new, who is made with it: of several who try at once one is made, and the others leave
 * nothing. `taken`: the address is somebody's already. null: the link is no longer good or is for another address.
 */
export async function joinAsNew(
  connection: Connection,
  token: string,
  newcomer: NewPerson,
): Promise<FirmData | 'taken' | null> {
  const offer = await offerOf(connection, token);
  if (offer === null || !isFor(offer, newcomer.email)) return null;
  const hash = await hashPassword(newcomer.password);
  const made = await inFirmOf(connection, offer, async (transaction) => {
    const person = await insertPerson(transaction, newcomer, hash);
    if (person === null) return 'taken';
    await settle(transaction, offer, token, person.id);
    return person;
  });
  return made === null || made === 'taken' ? made : noted(connection, offer, made);
}

/** The firm that was joined, with a line in its trail. */
async function noted(connection: Connection, { firm, role }: Offer, person: Named): Promise<FirmData | null> {
  const joined = await FirmData.of(connection, person.id, firm.id);
  await joined?.firm.transaction((transaction) => noteIn(transaction, joined.firm, person, 'joined', role));
  return joined?.firm ?? null;
}
