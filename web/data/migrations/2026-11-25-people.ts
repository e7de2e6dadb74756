import { type Kysely, sql } from 'kysely';

const now = sql`now()`;

/** The firm (and, before a firm is chosen, the person or the invitation) on whose behalf a transaction runs. */
const settingOf = (name: string) => sql.raw(`nullif(current_setting('fairplug.${name}', true), '')`);

/** Tables of which a firm sees its own rows alone. */
const firmTables = ['log', 'entry', 'job', 'invitation', 'audit', 'membership'] as const;

export async function up(db: Kysely<unknown>): Promise<void> {
  await signInTables(db);
  await firmTablesOfPeople(db);
  await adoptFormerPeople(db);
  await secondWall(db);
}

async function signInTables(db: Kysely<unknown>): Promise<void> {
  await sql`alter table person rename to former_person`.execute(db);
  await sql`alter table former_person rename constraint person_key to former_person_key`.execute(db);
  await db.schema
    .createTable('person')
    .addColumn('id', 'uuid', (column) => column.primaryKey())
    .addColumn('name', 'text', (column) => column.notNull())
    .addColumn('email', 'text', (column) => column.notNull().unique())
    .addColumn('email_verified', 'boolean', (column) => column.notNull().defaultTo(false))
    .addColumn('image', 'text')
    .addColumn('created_at', 'timestamptz', (column) => column.notNull().defaultTo(now))
    .addColumn('updated_at', 'timestamptz', (column) => column.notNull().defaultTo(now))
    .execute();
  await db.schema
    .createTable('session')
    .addColumn('id', 'uuid', (column) => column.primaryKey())
    .addColumn('person', 'uuid', (column) => column.notNull().references('person.id').onDelete('cascade'))
    .addColumn('token', 'text', (column) => column.notNull().unique())
    .addColumn('expires_at', 'timestamptz', (column) => column.notNull())
    .addColumn('ip_address', 'text')
    .addColumn('user_agent', 'text')
    .addColumn('created_at', 'timestamptz', (column) => column.notNull().defaultTo(now))
    .addColumn('updated_at', 'timestamptz', (column) => column.notNull().defaultTo(now))
    .execute();
  await db.schema.createIndex('session_of_person').on('session').column('person').execute();
  await db.schema
    .createTable('account')
    .addColumn('id', 'uuid', (column) => column.primaryKey())
    .addColumn('person', 'uuid', (column) => column.notNull().references('person.id').onDelete('cascade'))
    .addColumn('account_id', 'text', (column) => column.notNull())
    .addColumn('provider_id', 'text', (column) => column.notNull())
    .addColumn('password', 'text')
    .addColumn('access_token', 'text')
    .addColumn('refresh_token', 'text')
    .addColumn('id_token', 'text')
    .addColumn('access_token_expires_at', 'timestamptz')
    .addColumn('refresh_token_expires_at', 'timestamptz')
    .addColumn('scope', 'text')
    .addColumn('created_at', 'timestamptz', (column) => column.notNull().defaultTo(now))
    .addColumn('updated_at', 'timestamptz', (column) => column.notNull().defaultTo(now))
    .addUniqueConstraint('account_of_person', ['person', 'provider_id'])
    .execute();
  await db.schema
    .createTable('verification')
    .addColumn('id', 'uuid', (column) => column.primaryKey())
    .addColumn('identifier', 'text', (column) => column.notNull())
    .addColumn('value', 'text', (column) => column.notNull())
    .addColumn('expires_at', 'timestamptz', (column) => column.notNull())
    .addColumn('created_at', 'timestamptz', (column) => column.notNull().defaultTo(now))
    .addColumn('updated_at', 'timestamptz', (column) => column.notNull().defaultTo(now))
    .execute();
  await db.schema.createIndex('verification_identifier').on('verification').column('identifier').execute();
  // In the shape that rate-limiter-flexible expects.
  await db.schema
    .createTable('rate_limit')
    .addColumn('key', 'varchar(255)', (column) => column.primaryKey())
    .addColumn('points', 'integer', (column) => column.notNull().defaultTo(0))
    .addColumn('expire', 'bigint')
    .execute();
}

async function firmTablesOfPeople(db: Kysely<unknown>): Promise<void> {
  await db.schema
    .createTable('membership')
    .addColumn('organization', 'uuid', (column) => column.notNull().references('organization.id'))
    .addColumn('person', 'uuid', (column) => column.notNull().references('person.id'))
    .addColumn('role', 'text', (column) =>
      column.notNull().check(sql`role in ('owner', 'inspector', 'viewer')`),
    )
    .addColumn('created_at', 'timestamptz', (column) => column.notNull().defaultTo(now))
    .addColumn('removed_at', 'timestamptz')
    .addPrimaryKeyConstraint('membership_key', ['organization', 'person'])
    .execute();
  await db.schema.createIndex('membership_of_person').on('membership').column('person').execute();
  await db.schema
    .createTable('invitation')
    .addColumn('organization', 'uuid', (column) => column.notNull().references('organization.id'))
    .addColumn('id', 'uuid', (column) => column.notNull())
    .addColumn('token_hash', 'text', (column) => column.notNull().unique())
    .addColumn('firm_name', 'text', (column) => column.notNull())
    .addColumn('inviter_name', 'text', (column) => column.notNull())
    .addColumn('email', 'text')
    .addColumn('role', 'text', (column) =>
      column.notNull().check(sql`role in ('owner', 'inspector', 'viewer')`),
    )
    .addColumn('created_at', 'timestamptz', (column) => column.notNull().defaultTo(now))
    .addColumn('expires_at', 'timestamptz', (column) => column.notNull())
    .addColumn('settled_at', 'timestamptz')
    .addPrimaryKeyConstraint('invitation_key', ['organization', 'id'])
    .execute();
  await db.schema
    .createTable('audit')
    .addColumn('organization', 'uuid', (column) => column.notNull().references('organization.id'))
    .addColumn('id', 'bigint', (column) => column.generatedAlwaysAsIdentity())
    .addColumn('at', 'timestamptz', (column) => column.notNull().defaultTo(now))
    .addColumn('person', 'uuid', (column) => column.notNull().references('person.id'))
    .addColumn('person_name', 'text', (column) => column.notNull())
    .addColumn('action', 'text', (column) => column.notNull())
    .addColumn('about', 'text')
    .addPrimaryKeyConstraint('audit_key', ['organization', 'id'])
    .execute();
  await sql`
    create function audit_stays() returns trigger language plpgsql as $$
    begin raise exception 'the audit trail is append-only'; end $$`.execute(db);
  await sql`
    create trigger audit_stays before update or delete or truncate on audit
    for each statement execute function audit_stays()`.execute(db);
}

/** People from before there was sign-in own their firm; what they sign in with is set afterwards. */
async function adoptFormerPeople(db: Kysely<unknown>): Promise<void> {
  await sql`
    insert into person (id, name, email)
    select id, name, id || '@sign-in.invalid' from former_person`.execute(db);
  await sql`
    insert into membership (organization, person, role)
    select organization, id, 'owner' from former_person`.execute(db);
  await db.schema.dropTable('former_person').execute();
}

/** Row-level security: the application's role sees what the firm of its transaction owns, whatever a query forgets. */
async function secondWall(db: Kysely<unknown>): Promise<void> {
  const firm = sql`${settingOf('firm')}::uuid`;
  const person = sql`${settingOf('person')}::uuid`;
  for (const table of [...firmTables, 'organization'])
    await sql`alter table ${sql.table(table)} enable row level security`.execute(db);
  for (const table of firmTables)
    await sql`
      create policy own_firm on ${sql.table(table)}
      using (organization = ${firm}) with check (organization = ${firm})`.execute(db);
  await sql`create policy own_firm on organization using (id = ${firm}) with check (id = ${firm})`.execute(
    db,
  );
  await sql`create policy own_memberships on membership for select using (person = ${person})`.execute(db);
  await sql`
    create policy own_firms on organization for select
    using (id in (select organization from membership where person = ${person} and removed_at is null))`.execute(
    db,
  );
  await sql`
    create policy known_by_token on invitation for select
    using (token_hash = ${settingOf('invitation')})`.execute(db);
  // Whether there is any firm at all is asked before anybody has signed in.
  await sql`
    create function has_firms() returns boolean language sql security definer set search_path = public
    as 'select exists (select from organization)'`.execute(db);
}
