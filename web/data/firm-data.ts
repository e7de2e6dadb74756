import { sql, type Transaction } from 'kysely';
import type { OwnFirm, Role } from '../contract/answers.ts';
import type { Connection } from './database.ts';
import type { Database } from './schema.ts';

export interface Named {
  readonly id: string;
  readonly name: string;
}

/** Says on whose behalf a transaction runs; PostgreSQL's row-level security goes by it. */
export async function onBehalfOf(
  transaction: Transaction<Database>,
  who: { readonly firm?: string; readonly person?: string; readonly invitation?: string },
): Promise<void> {
  for (const [name, value] of Object.entries(who))
    await sql`select set_config(${`fairplug.${name}`}, ${value}, true)`.execute(transaction);
}

/**
 * One firm's data. Every function over a firm's rows takes this instead of a connection, so none can be called without
 * a firm; it is had by belonging to the firm, or by founding it.
 */
export class FirmData {
  readonly id: string;
  readonly name: string;
  private readonly connection: Connection;

  private constructor(connection: Connection, { id, name }: Named) {
    this.connection = connection;
    this.id = id;
    this.name = name;
  }

  /** Runs work in one transaction that sees this firm alone. */
  transaction<T>(work: (transaction: Transaction<Database>) => Promise<T>): Promise<T> {
    return this.connection.transaction().execute(async (transaction) => {
      await onBehalfOf(transaction, { firm: this.id });
      return work(transaction);
    });
  }

  /** The firm that a person belongs to, and as what; null where it is none of theirs. */
  static async of(
    connection: Connection,
    person: string,
    firm: string,
  ): Promise<{ readonly firm: FirmData; readonly role: Role } | null> {
    const found = (await firmsOf(connection, person)).find(({ id }) => id === firm);
    return found === undefined ? null : { firm: new FirmData(connection, found), role: found.role };
  }

  /** Makes a firm with an owner and an empty kit. */
  static async found(
    connection: Connection,
    { firm, owner, kit }: { readonly firm: Named; readonly owner: string; readonly kit: string },
  ): Promise<FirmData> {
    const founded = new FirmData(connection, firm);
    await founded.transaction(async (transaction) => {
      await transaction.insertInto('organization').values({ id: firm.id, name: firm.name }).execute();
      await transaction
        .insertInto('membership')
        .values({ organization: firm.id, person: owner, role: 'owner' })
        .execute();
      await transaction.insertInto('log').values({ organization: firm.id, id: kit, kind: 'kit' }).execute();
    });
    return founded;
  }
}

/** The firms that a person belongs to, the oldest membership first. */
export async function firmsOf(connection: Connection, person: string): Promise<readonly OwnFirm[]> {
  return connection.transaction().execute(async (transaction) => {
    await onBehalfOf(transaction, { person });
    return transaction
      .selectFrom('membership')
      .innerJoin('organization', 'organization.id', 'membership.organization')
      .select(['organization.id', 'organization.name', 'membership.role'])
      .where('membership.person', '=', person)
      .where('membership.removed_at', 'is', null)
      .orderBy('membership.created_at')
      .orderBy('organization.id')
      .execute();
  });
}

/** True once a first firm was made. */
export async function hasFirms(connection: Connection): Promise<boolean> {
  const { rows } = await sql<{ found: boolean }>`select has_firms() as found`.execute(connection);
  return rows[0]?.found === true;
}
