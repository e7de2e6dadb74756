import { v7 } from 'uuid';
import { afterAll, beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { roles } from '../contract/answers.ts';
import { auditTrail, noteFailedSignIn } from './audit.ts';
import type { Connection } from './database.ts';
import { FirmData, firmsOf, hasFirms, type Named } from './firm-data.ts';
import { makeFirstFirm } from './first-run.ts';
import { invite, join, joinAsNew, offerOf, openInvitations, withdrawInvitation } from './invitations.ts';
import { changeMembership, listNames, listPeople, renameFirm } from './people.ts';
import { mayActAs } from './roles.ts';
import { describeSession, endSession, sessionsOf } from './sessions.ts';
import { freshDatabase, newFirm, newPerson } from './testing-database.ts';

let connection: Connection;
let owner: Connection;
let drop: () => Promise<void>;
let firm: FirmData;
let boss: Named;

beforeAll(async () => {
  ({ connection, owner, drop } = await freshDatabase());
});
afterAll(() => drop());
beforeEach(async () => {
  ({ firm, owner: boss } = await newFirm(connection, 'Hollow & Rise'));
});

/** Somebody new who has joined the firm. */
async function joined(role: 'owner' | 'inspector' | 'viewer'): Promise<Named> {
  const person = await newPerson(connection, `The ${role}`);
  const { token } = await invite(firm, boss, { role, email: null });
  await join(connection, token, person);
  return person;
}

describe('the first run', () => {
  test('only one of many first runs at once makes a firm, and none once there is one', async () => {
    const fresh = await freshDatabase();
    expect(await hasFirms(fresh.connection)).toBe(false);
    const run = (number: number) =>
      makeFirstFirm(fresh.connection, `Firm ${number}`, {
        name: 'An owner',
        email: `owner${number}@example.invalid`,
        password: 'a long password',
      });
    const made = await Promise.all([1, 2, 3].map(run));
    expect(made.filter(Boolean)).toHaveLength(1);
    expect(await run(4)).toBe(false);
    expect(await hasFirms(fresh.connection)).toBe(true);
    await fresh.drop();
  });
});

describe('sessions', () => {
  test('are one’s own to list and to end, each by itself; what is kept of a browser is its name', async () => {
    const other = await newPerson(connection);
    const begin = async (person: Named, userAgent: string | null): Promise<string> => {
      const id = v7();
      await connection
        .insertInto('session')
        .values({
          id,
          person: person.id,
          token: id,
          expires_at: new Date(Date.now() + 60_000),
          ip_address: null,
          user_agent: null,
        })
        .execute();
      await describeSession(connection, id, userAgent);
      return id;
    };
    const here = await begin(boss, 'Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0');
    const lost = await begin(boss, null);
    const theirs = await begin(other, 'Mozilla/5.0');
    const listed = await sessionsOf(connection, boss.id, here);
    expect(listed.map(({ id, browser, isHere }) => [id, browser, isHere]).sort()).toEqual(
      [
        [here, 'Firefox on Linux', true],
        [lost, null, false],
      ].sort(),
    );
    expect(await endSession(connection, boss.id, theirs)).toBe(false);
    expect(await endSession(connection, boss.id, lost)).toBe(true);
    expect((await sessionsOf(connection, boss.id, here)).map(({ id }) => id)).toEqual([here]);
    expect(await sessionsOf(connection, other.id, '')).toHaveLength(1);
  });
});

describe('invitations', () => {
  test('of several newcomers who take one link up at once one joins, and the others leave nothing behind', async () => {
    const { token } = await invite(firm, boss, { role: 'inspector', email: null });
    const newcomer = (n: number) => ({
      name: `Newcomer ${n}`,
      email: `newcomer${n}@example.invalid`,
      password: 'a long password',
    });
    const results = await Promise.all([1, 2, 3].map((n) => joinAsNew(connection, token, newcomer(n))));
    expect(results.filter((one) => one instanceof FirmData)).toHaveLength(1);
    expect(results.filter((one) => one === null)).toHaveLength(2);
    const made = await connection
      .selectFrom('person')
      .select('email')
      .where('email', 'like', 'newcomer%')
      .execute();
    expect(made).toHaveLength(1);
    const again = (await invite(firm, boss, { role: 'viewer', email: null })).token;
    const taken = { ...newcomer(9), email: made[0]?.email ?? '' };
    expect(await joinAsNew(connection, again, taken)).toBe('taken');
    expect(await offerOf(connection, again)).not.toBeNull();
  });

  test('a link makes somebody a member, once', async () => {
    const person = await newPerson(connection);
    const { token } = await invite(firm, boss, { role: 'inspector', email: null });
    expect(await offerOf(connection, token)).toMatchObject({
      firm: { id: firm.id, name: 'Hollow & Rise' },
      inviter: boss.name,
      role: 'inspector',
    });
    expect((await join(connection, token, person))?.id).toBe(firm.id);
    expect(await firmsOf(connection, person.id)).toEqual([
      { id: firm.id, name: 'Hollow & Rise', role: 'inspector' },
    ]);
    expect(await join(connection, token, await newPerson(connection))).toBeNull();
    expect(await openInvitations(firm)).toEqual([]);
  });

  test('of two who take up a link at once, one joins', async () => {
    const { token } = await invite(firm, boss, { role: 'viewer', email: null });
    const people = await Promise.all([1, 2, 3].map(() => newPerson(connection)));
    const all = await Promise.all(people.map((person) => join(connection, token, person)));
    expect(all.filter((one) => one !== null)).toHaveLength(1);
  });

  test('a withdrawn link, and one that is out of date, is no longer good', async () => {
    const withdrawn = await invite(firm, boss, { role: 'viewer', email: 'new@example.invalid' });
    expect(await withdrawInvitation(firm, boss, withdrawn.id)).toBe(true);
    expect(await withdrawInvitation(firm, boss, withdrawn.id)).toBe(false);
    expect(await offerOf(connection, withdrawn.token)).toBeNull();
    const late = await invite(firm, boss, { role: 'viewer', email: null });
    await owner
      .updateTable('invitation')
      .set({ expires_at: new Date(Date.now() - 1000) })
      .where('id', '=', late.id)
      .execute();
    expect(await offerOf(connection, late.token)).toBeNull();
    expect(await openInvitations(firm)).toEqual([]);
  });

  test('only a hash of the token is kept', async () => {
    const { token } = await invite(firm, boss, { role: 'viewer', email: null });
    const rows = await owner.selectFrom('invitation').selectAll().execute();
    expect(JSON.stringify(rows)).not.toContain(token);
  });

  test('who is removed, or may no longer invite, takes their open invitations along', async () => {
    for (const [role, isNull] of [
      ['inspector', false],
      [null, true],
    ] as const) {
      const second = await joined('owner');
      const { token } = await invite(firm, second, { role: 'owner', email: null });
      const kept = await invite(firm, boss, { role: 'viewer', email: null });
      expect(await changeMembership(firm, boss, second.id, role), String(isNull)).toBe('changed');
      // Made while an owner: they would come back as one.
      expect(await offerOf(connection, token)).toBeNull();
      expect(await join(connection, token, second)).toBeNull();
      expect(await offerOf(connection, kept.token)).not.toBeNull();
    }
  });

  test('an invitation from before it was kept who made it ends by their name', async () => {
    const second = await joined('owner');
    const { id, token } = await invite(firm, second, { role: 'owner', email: null });
    await owner.updateTable('invitation').set({ inviter: null }).where('id', '=', id).execute();
    await changeMembership(firm, boss, second.id, 'viewer');
    expect(await offerOf(connection, token)).toBeNull();
  });

  test('an invitation for an address is for that address, however it is written', async () => {
    const person = await newPerson(connection);
    const { email } = await owner
      .selectFrom('person')
      .select('email')
      .where('id', '=', person.id)
      .executeTakeFirstOrThrow();
    const others = await invite(firm, boss, { role: 'viewer', email: 'somebody.else@example.invalid' });
    expect(await join(connection, others.token, person)).toBeNull();
    expect(await offerOf(connection, others.token), 'it was not used up').not.toBeNull();
    const own = await invite(firm, boss, { role: 'viewer', email: email.toUpperCase() });
    expect((await join(connection, own.token, person))?.id).toBe(firm.id);
  });

  test('who belongs to the firm keeps what they may do; who was removed comes back as invited', async () => {
    const { token } = await invite(firm, boss, { role: 'viewer', email: null });
    await join(connection, token, boss);
    expect((await FirmData.of(connection, boss.id, firm.id))?.role).toBe('owner');
    const former = await joined('inspector');
    await changeMembership(firm, boss, former.id, null);
    expect(await FirmData.of(connection, former.id, firm.id)).toBeNull();
    const again = await invite(firm, boss, { role: 'viewer', email: null });
    await join(connection, again.token, former);
    expect((await FirmData.of(connection, former.id, firm.id))?.role).toBe('viewer');
  });
});

describe('membership', () => {
  test('who is removed loses the firm at once; their name stays', async () => {
    const person = await joined('inspector');
    expect(await changeMembership(firm, boss, person.id, null)).toBe('changed');
    expect(await FirmData.of(connection, person.id, firm.id)).toBeNull();
    // Their entries stay, and so does their name beside them; no other firm's people have one.
    const other = await newFirm(connection, 'Elsewhere');
    expect(await listNames(firm)).toEqual([boss, person].map(({ id, name }) => ({ id, name })));
    expect(await listNames(other.firm)).toEqual([{ id: other.owner.id, name: other.owner.name }]);
    const listed = (await listPeople(firm)).find(({ id }) => id === person.id);
    expect(listed).toMatchObject({ name: person.name, removedAt: expect.any(String) });
    expect(await changeMembership(firm, boss, person.id, 'owner')).toBe('no-such-person');
  });

  test('a firm keeps at least one owner, also when two step down at once', async () => {
    expect(await changeMembership(firm, boss, boss.id, 'viewer')).toBe('last-owner');
    expect(await changeMembership(firm, boss, boss.id, null)).toBe('last-owner');
    const second = await joined('owner');
    const both = await Promise.all(
      [boss, second].map(({ id }) => changeMembership(firm, boss, id, 'inspector')),
    );
    expect(both.sort()).toEqual(['changed', 'last-owner']);
  });

  test('each part may do what the lesser ones may', () => {
    const may = roles.map((role) => roles.filter((needed) => mayActAs(role, needed)));
    expect(may).toEqual([['owner', 'inspector', 'viewer'], ['inspector', 'viewer'], ['viewer']]);
  });

  test('somebody in two firms is a different person in each', async () => {
    const { firm: other, owner: otherBoss } = await newFirm(connection, 'Second firm');
    const person = await joined('viewer');
    const { token } = await invite(other, otherBoss, { role: 'owner', email: null });
    await join(connection, token, person);
    expect((await firmsOf(connection, person.id)).map(({ name, role }) => `${name}: ${role}`)).toEqual([
      'Hollow & Rise: viewer',
      'Second firm: owner',
    ]);
    await changeMembership(firm, boss, person.id, null);
    expect((await firmsOf(connection, person.id)).map(({ name }) => name)).toEqual(['Second firm']);
  });
});

describe('the audit trail', () => {
  test('says that somebody’s address was tried with a wrong password, in their firms alone', async () => {
    const person = await joined('inspector');
    const { email } = await owner
      .selectFrom('person')
      .select('email')
      .where('id', '=', person.id)
      .executeTakeFirstOrThrow();
    const elsewhere = await newFirm(connection, 'Elsewhere');
    await noteFailedSignIn(connection, ` ${email.toUpperCase()}`);
    await noteFailedSignIn(connection, 'nobody@example.invalid');
    expect((await auditTrail(firm))[0]).toMatchObject({ person: person.name, action: 'sign-in-failed' });
    const theirs = await auditTrail(elsewhere.firm);
    expect(theirs.filter(({ action }) => action === 'sign-in-failed')).toEqual([]);
  });

  test('says who did what, the newest first', async () => {
    const person = await joined('viewer');
    await changeMembership(firm, boss, person.id, 'inspector');
    await renameFirm(firm, boss, 'Rise & Hollow');
    await changeMembership(firm, boss, person.id, null);
    expect((await auditTrail(firm)).map(({ person: who, action, about }) => [who, action, about])).toEqual([
      [boss.name, 'removed', person.name],
      [boss.name, 'firm-renamed', 'Rise & Hollow'],
      [boss.name, 'role-changed', `${person.name}: inspector`],
      [person.name, 'joined', 'viewer'],
      [boss.name, 'invited', 'viewer'],
    ]);
  });
});
