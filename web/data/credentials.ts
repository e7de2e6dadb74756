import type { Transaction } from 'kysely';
import { v7 } from 'uuid';
import type { Connection } from './database.ts';
import type { Named } from './firm-data.ts';
import { hashPassword } from './password-hashes.ts';
import type { Database } from './schema.ts';

export interface NewPerson {
  readonly name: string;
  readonly email: string;
  readonly password: string;
}

/** Addresses are compared without regard to case. */
const addressOf = (email: string): string => email.trim().toLowerCase();

/** Makes a person who can sign in; null where the address is taken. */
export async function createPerson(
  connection: Connection,
  person: NewPerson,
  id = v7(),
): Promise<Named | null> {
  const hash = await hashPassword(person.password);
  return connection.transaction().execute((transaction) => insertPerson(transaction, person, hash, id));
}

/** The same within a transaction, with the password's hash. */
export async function insertPerson(
  transaction: Transaction<Database>,
  { name, email }: Pick<NewPerson, 'name' | 'email'>,
  hash: string,
  id = v7(),
): Promise<Named | null> {
  const made = await transaction
    .insertInto('person')
    .values({ id, name, email: addressOf(email), image: null })
    .onConflict((conflict) => conflict.column('email').doNothing())
    .returning(['id', 'name'])
    .executeTakeFirst();
  if (made === undefined) return null;
  await transaction
    .insertInto('account')
    .values({ id: v7(), person: made.id, account_id: made.id, provider_id: 'credential', password: hash })
    .execute();
  return made;
}

/** Gives a person who is there already the address and password that they sign in with. */
export async function setCredentials(
  connection: Connection,
  id: string,
  { email, password }: Pick<NewPerson, 'email' | 'password'>,
): Promise<void> {
  const hash = await hashPassword(password);
  await connection.transaction().execute(async (transaction) => {
    await transaction
      .updateTable('person')
      .set({ email: addressOf(email) })
      .where('id', '=', id)
      .execute();
    await transaction
      .insertInto('account')
      .values({ id: v7(), person: id, account_id: id, provider_id: 'credential', password: hash })
      .onConflict((conflict) => conflict.columns(['person', 'provider_id']).doUpdateSet({ password: hash }))
      .execute();
  });
}
