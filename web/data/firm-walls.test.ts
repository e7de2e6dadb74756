import { chained } from '@fair-plug/core/log';
import { sql } from 'kysely';
import { v7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import * as assessor from './assessor.ts';
import * as audit from './audit.ts';
import * as chains from './chains.ts';
import type { Connection } from './database.ts';
import * as entryRules from './entry-rules.ts';
import { type FirmData, type Named, onBehalfOf } from './firm-data.ts';
import * as invitations from './invitations.ts';
import * as jobLines from './job-lines.ts';
import * as jobs from './jobs.ts';
import * as logPages from './log-pages.ts';
import * as logs from './logs.ts';
import * as people from './people.ts';
import * as photoArchive from './photos/archive.ts';
import * as arriving from './photos/arriving.ts';
import * as leaving from './photos/leaving.ts';
import { photoStore } from './photos/store.ts';
import * as sweep from './photos/sweep.ts';
import * as readJobs from './read-jobs.ts';
import { freshDatabase, newFirm, newPerson } from './testing-database.ts';

// Longer than other files: every function over a firm’s data is called here, a line each.

let connection: Connection;
let owner: Connection;
let drop: () => Promise<void>;

interface World {
  readonly firm: FirmData;
  readonly owner: Named;
  readonly job: string;
  readonly entry: string;
  readonly invitation: string;
  readonly token: string;
}
let a: World;
let b: World;
const ownerOfB = () => ({ person: b.owner, role: 'owner' }) as const;

const entryOf = (author: string, address: string) => ({
  id: v7(),
  device: v7(),
  author,
  at: '2026-05-04T09:30:00.000Z',
  kind: 'job-described' as const,
  address,
});

/** The same in every firm: bytes may be. */
const photoHash = 'a'.repeat(64);

async function world(address: string): Promise<World> {
  const made = await newFirm(connection, address);
  const job = v7();
  const entry = entryOf(made.owner.id, address);
  await logs.openJob(made.firm, { person: made.owner, role: 'owner' }, job, chained([entry], null).entries);
  await made.firm.transaction((transaction) =>
    transaction.insertInto('photo').values({ organization: made.firm.id, hash: photoHash }).execute(),
  );
  await photoStore().put(made.firm, { hash: photoHash, version: 'whole' }, Buffer.from(address));
  const { id, token } = await invitations.invite(made.firm, made.owner, { role: 'viewer', email: null });
  return { firm: made.firm, owner: made.owner, job, entry: entry.id, invitation: id, token };
}

/** Tables that hold a firm's rows; `organization` by its own id. */
const firmTables = [
  'log',
  'entry',
  'link',
  'job',
  'photo',
  'photo_piece',
  'membership',
  'invitation',
  'audit',
] as const;

beforeAll(async () => {
  ({ connection, owner, drop } = await freshDatabase());
  a = await world('1 Alder Rise');
  b = await world('2 Birch Lane');
});
afterAll(() => drop());

/** Everything of firm A, as the tables' owner sees it. */
async function allOfA(): Promise<unknown> {
  const rows = await Promise.all(
    firmTables.map((table) =>
      sql`select * from ${sql.table(table)} where organization = ${a.firm.id} order by 1, 2, 3`.execute(
        owner,
      ),
    ),
  );
  const firm = await sql`select * from organization where id = ${a.firm.id}`.execute(owner);
  return [...rows, firm].map((one) => one.rows);
}

/** Every data function that takes a firm, called as B with what belongs to A. */
const asB: Readonly<Record<string, () => Promise<unknown>>> = {
  assessJob: () => assessor.assessJob(b.firm, a.job),
  assessSoon: async () => assessor.assessSoon(b.firm, [a.job]),
  circuitsOf: async () => assessor.circuitsOf(b.firm, a.job),
  summarizeJob: () => assessor.summarizeJob(b.firm, a.job),
  summarizeSoon: async () => assessor.summarizeSoon(b.firm, a.job),
  readJob: () => readJobs.readJob(b.firm, a.job),
  listJobs: () => jobs.listJobs(b.firm),
  jobNamed: () => jobs.jobNamed(b.firm, a.job),
  openJob: () => logs.openJob(b.firm, ownerOfB(), a.job, [entryOf(b.owner.id, '3 Cedar Close')]),
  appendToJob: () => logs.appendToJob(b.firm, ownerOfB(), a.job, [entryOf(b.owner.id, '3 Cedar Close')]),
  jobPage: () => logPages.jobPage(b.firm, a.job, 0),
  logHeads: () => logPages.logHeads(b.firm),
  appendToKit: () =>
    logs.appendToKit(b.firm, ownerOfB(), [
      {
        ...entryOf(b.owner.id, ''),
        kind: 'tester-described',
        tester: v7(),
        name: 'A tester',
        layout: [
          { pair: 'hg', colour: 'white' },
          { pair: 'ng', colour: 'blue' },
          { pair: 'hn', colour: 'white' },
        ],
      } as never,
    ]),
  kitPage: () => logPages.kitPage(b.firm, 0),
  isSpokenOf: () => arriving.isSpokenOf(b.firm, a.job, photoHash),
  photoStates: () => arriving.photoStates(b.firm, a.job),
  takePiece: () =>
    arriving.takePiece(b.firm, {
      job: a.job,
      hash: photoHash,
      from: 0,
      total: 1,
      bytes: Buffer.from('x'),
      burnt: null,
    }),
  keptBytes: async () => {
    const kept = await leaving.keptBytes(b.firm, photoHash);
    return kept === null ? null : Buffer.from(kept.bytes).toString();
  },
  leavingPhoto: () => leaving.leavingPhoto(b.firm, a.job, a.entry, 'full'),
  archivedPhoto: async () => {
    const photo = { id: a.entry, of: 'house', hash: photoHash, width: 1, height: 1, marks: [] } as const;
    const kept = await leaving.archivedPhoto(b.firm, { ...photo, takenAt: '', addedAt: '', author: '' });
    return kept === null ? null : Buffer.from(kept.bytes).toString();
  },
  jobArchive: () => photoArchive.jobArchive(b.firm, a.job),
  sweepPhotos: () => sweep.sweepPhotos(b.firm, 0),
  sweepSoon: async () => sweep.sweepSoon(b.firm),
  listNames: () => people.listNames(b.firm),
  listPeople: () => people.listPeople(b.firm),
  changeMembership: () => people.changeMembership(b.firm, b.owner, a.owner.id, null),
  renameFirm: () => people.renameFirm(b.firm, b.owner, 'Renamed by B'),
  invite: () => invitations.invite(b.firm, b.owner, { role: 'viewer', email: null }),
  openInvitations: () => invitations.openInvitations(b.firm),
  withdrawInvitation: () => invitations.withdrawInvitation(b.firm, b.owner, a.invitation),
  note: () => audit.note(b.firm, b.owner, 'signed-in'),
  auditTrail: () => audit.auditTrail(b.firm),
};

/** Exported functions that take no firm, each with the reason. */
const withoutFirm: Readonly<Record<string, string>> = {
  bytesOf: 'reads a stream to its end',
  endInvitationsOf: 'works in a transaction of a firm',
  isFor: 'compares two addresses',
  bareLinks: 'works in a transaction of a firm',
  kitLog: 'works in a transaction of a firm',
  linkIn: 'works in a transaction of a firm',
  logsOf: 'works in a transaction of a firm',
  beginLine: 'works in a transaction of a firm',
  noteHandedIn: 'works in a transaction of a firm',
  noteIn: 'works in a transaction of a firm',
  refusalOf: 'works in a transaction of a firm',
  writeLine: 'works in a transaction of a firm',
  wholeLog: 'works in a transaction of a firm',
  noteEverywhere: 'enters every firm of a person through their membership',
  noteFailedSignIn: 'enters every firm of a person through their membership',
  offerOf: 'answers whoever holds an invitation’s token',
  join: 'takes up an invitation by its token',
  joinAsNew: 'takes up an invitation by its token',
};

describe('the first wall: functions over a firm’s data', () => {
  test('every one of them is tried below', () => {
    const modules = [
      assessor,
      audit,
      chains,
      entryRules,
      invitations,
      jobLines,
      jobs,
      logPages,
      logs,
      people,
      readJobs,
      arriving,
      leaving,
      photoArchive,
      sweep,
    ];
    const exported = modules.flatMap((module) =>
      Object.entries(module).flatMap(([name, value]) => (typeof value === 'function' ? [name] : [])),
    );
    expect(exported.filter((name) => !(name in withoutFirm)).sort()).toEqual(Object.keys(asB).sort());
  });

  test.each(Object.keys(asB))(
    '%s, as B with what belongs to A, sees nothing and changes nothing',
    async (name) => {
      const before = await allOfA();
      const seen = JSON.stringify((await asB[name]?.()) ?? null);
      for (const hidden of ['Alder Rise', a.entry, a.invitation, a.firm.id])
        expect(seen).not.toContain(hidden);
      // Who asks about an id has it; of A's owner nothing else may be told.
      expect(seen).not.toContain(a.owner.id);
      expect(await allOfA()).toEqual(before);
    },
  );
});

describe('the second wall: with every condition on the firm left out', () => {
  const asFirm = <T>(
    firm: string | null,
    work: (transaction: Parameters<typeof onBehalfOf>[0]) => Promise<T>,
  ) =>
    connection.transaction().execute(async (transaction) => {
      if (firm !== null) await onBehalfOf(transaction, { firm });
      return work(transaction);
    });

  test.each(firmTables)(
    '%s: B sees its own rows alone, and nobody without a firm sees any',
    async (table) => {
      const organizations = (firm: string | null) =>
        asFirm(firm, async (transaction) => {
          const { rows } = await sql<{
            organization: string;
          }>`select organization from ${sql.table(table)}`.execute(transaction);
          return new Set(rows.map(({ organization }) => organization));
        });
      expect(await organizations(b.firm.id)).toEqual(new Set([b.firm.id]));
      expect(await organizations(null)).toEqual(new Set());
    },
  );

  test.each(firmTables.filter((table) => table !== 'audit'))(
    '%s: B changes and deletes none of A’s',
    async (table) => {
      const before = await allOfA();
      const target = sql.table(table);
      const rows = await asFirm(b.firm.id, async (transaction) => {
        const changed = await sql`
        update ${target} set organization = organization where organization = ${a.firm.id}`.execute(
          transaction,
        );
        const gone = await sql`delete from ${target} where organization = ${a.firm.id}`.execute(transaction);
        return [changed.numAffectedRows, gone.numAffectedRows];
      });
      expect(rows).toEqual([0n, 0n]);
      expect(await allOfA()).toEqual(before);
    },
  );

  test('B adds nothing to A', async () => {
    const adding = asFirm(b.firm.id, (transaction) =>
      transaction.insertInto('log').values({ organization: a.firm.id, id: v7(), kind: 'job' }).execute(),
    );
    await expect(adding).rejects.toThrow('row-level security');
  });

  test('the firms themselves: B sees its own, a person those that they belong to', async () => {
    const names = (who: Parameters<typeof onBehalfOf>[1]) =>
      connection.transaction().execute(async (transaction) => {
        await onBehalfOf(transaction, who);
        const rows = await transaction.selectFrom('organization').select('id').execute();
        return rows.map(({ id }) => id);
      });
    expect(await names({ firm: b.firm.id })).toEqual([b.firm.id]);
    expect(await names({ person: a.owner.id })).toEqual([a.firm.id]);
    expect(await names({ person: (await newPerson(connection)).id })).toEqual([]);
  });

  test('an invitation is seen by its token alone', async () => {
    expect((await invitations.offerOf(connection, a.token))?.firm.id).toBe(a.firm.id);
    expect(await invitations.offerOf(connection, `${a.token}x`)).toBeNull();
  });

  test('the application can neither change tables nor give itself more', async () => {
    for (const statement of [
      sql`alter table entry disable row level security`,
      sql`drop policy own_firm on entry`,
      sql`alter role fairplug_application bypassrls`,
      sql`set role postgres`,
    ])
      await expect(statement.execute(connection)).rejects.toThrow();
  });

  test('what stands in the audit trail stays', async () => {
    await expect(
      asFirm(a.firm.id, (transaction) => transaction.deleteFrom('audit').execute()),
    ).rejects.toThrow('permission denied');
    await expect(sql`update audit set action = 'x'`.execute(owner)).rejects.toThrow('append-only');
  });
});
