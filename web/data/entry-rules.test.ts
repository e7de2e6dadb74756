import { lampsOf } from '@fair-plug/core/instruments';
import type { JobEntry, JobStatement, KitEntry, KitStatement } from '@fair-plug/core/log';
import { entry } from '@fair-plug/core/log/testing-entries.ts';
import { v7 } from 'uuid';
import { afterAll, beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { auditTrail } from './audit.ts';
import type { Connection } from './database.ts';
import type { HandedInBy } from './entry-rules.ts';
import type { FirmData } from './firm-data.ts';
import { invite, join } from './invitations.ts';
import { appendToJob, appendToKit, openJob } from './logs.ts';
import { freshDatabase, newFirm, newPerson } from './testing-database.ts';

let connection: Connection;
let drop: () => Promise<void>;
let firm: FirmData;
let by: HandedInBy;
let job: string;

beforeAll(async () => {
  ({ connection, drop } = await freshDatabase());
});
afterAll(() => drop());

const reading = (): JobEntry[] => [
  entry({ kind: 'receptacle-described', receptacle: v7(), room: v7(), name: 'Den 1' }),
  entry({ kind: 'lamps-read', receptacle: v7(), lamps: lampsOf('hn') }),
];

beforeEach(async () => {
  const made = await newFirm(connection);
  firm = made.firm;
  by = { person: made.owner, role: 'owner' };
  job = v7();
  await openJob(firm, by, job, [entry({ kind: 'job-described', address: '14 Alder Rise' })]);
});

describe('what somebody may enter', () => {
  let inspector: HandedInBy;
  let letterhead: KitEntry;
  const of = (author: string, said: JobStatement): JobEntry => ({ ...entry(said), author });
  const kitOf = (author: string, said: KitStatement): KitEntry => ({
    id: v7(),
    device: v7(),
    author,
    at: '2026-05-04T09:30:00.000Z',
    ...said,
  });

  beforeEach(async () => {
    const person = await newPerson(connection, 'Tessa');
    const { token } = await invite(firm, by.person, { role: 'inspector', email: null });
    await join(connection, token, person);
    inspector = { person, role: 'inspector' };
    letterhead = kitOf(by.person.id, {
      kind: 'letterhead-described',
      lines: '3 Quay Row',
      licence: null,
      mark: null,
    });
    await appendToKit(firm, by, [letterhead]);
  });

  test('an inspector does not take the owner’s settings back, nor what others entered', async () => {
    const withdrawal = kitOf(inspector.person.id, { kind: 'withdrawn', entries: [letterhead.id] });
    expect(await appendToKit(firm, inspector, [withdrawal])).toMatchObject({ kind: 'refused' });
    expect(await appendToKit(firm, by, [{ ...withdrawal, author: by.person.id }])).toMatchObject({
      stored: 1,
    });
    const [theirs] = reading() as [JobEntry];
    await appendToJob(firm, by, job, [theirs]);
    const back = (id: string) => of(inspector.person.id, { kind: 'withdrawn', entries: [id] });
    expect(await appendToJob(firm, inspector, job, [back(theirs.id)])).toMatchObject({ kind: 'refused' });
    const own = of(inspector.person.id, { kind: 'room-described', room: v7(), name: 'Attic' });
    const undo = back(own.id);
    expect(await appendToJob(firm, inspector, job, [own, undo, back(undo.id)])).toMatchObject({ stored: 3 });
  });

  test('a withdrawal of what is not there yet waits, and is taken once it is', async () => {
    const own = of(inspector.person.id, { kind: 'room-described', room: v7(), name: 'Attic' });
    const undo = of(inspector.person.id, { kind: 'withdrawn', entries: [own.id] });
    expect(await appendToJob(firm, inspector, job, [undo])).toEqual({ kind: 'waits', entry: undo.id });
    await appendToJob(firm, inspector, job, [own]);
    expect(await appendToJob(firm, inspector, job, [undo])).toMatchObject({ stored: 1 });
  });

  test('an entry with a clock that can be nobody’s is not stored; what its device’s own time says does not matter', async () => {
    const far = '2041-05-04T09:30:00.000Z';
    const den: JobStatement = { kind: 'room-described', room: v7(), name: 'Den' };
    for (const clock of ['9999-12-31T23:59:59.999Z~zzzz', '9999-99-99T99:99:99.999Z~0000', `${far}~0000`]) {
      const poisoned = { ...entry(den), clock };
      expect(await appendToJob(firm, by, job, [poisoned])).toEqual({ kind: 'clock', entry: poisoned.id });
    }
    const now = new Date().toISOString();
    expect(await appendToJob(firm, by, job, [{ ...entry(den, far), clock: `${now}~0000` }])).toMatchObject({
      stored: 1,
    });
  });

  test('nobody enters in another’s name but an owner, who signs for nobody of the firm', async () => {
    const den: JobStatement = { kind: 'room-described', room: v7(), name: 'Den' };
    const signature: JobStatement = { kind: 'signed', role: 'inspector', name: 'Tessa', strokes: [] };
    expect(await appendToJob(firm, inspector, job, [of(by.person.id, den)])).toMatchObject({
      kind: 'refused',
    });
    expect(await appendToJob(firm, by, job, [of(inspector.person.id, den)])).toMatchObject({ stored: 1 });
    const theirs = of(inspector.person.id, signature);
    expect(await appendToJob(firm, by, job, [theirs])).toMatchObject({ kind: 'refused' });
    expect(await appendToJob(firm, inspector, job, [theirs])).toMatchObject({ stored: 1 });
    // A job of another firm comes with its signatures.
    expect(await appendToJob(firm, by, job, [of(v7(), signature)])).toMatchObject({ stored: 1 });
  });

  test('the firm’s trail names what was stored of others’, and nothing that was not', async () => {
    const lines = async () => (await auditTrail(firm)).filter(({ action }) => action === 'record-imported');
    const before = (await lines()).length;
    expect(await appendToJob(firm, by, v7(), reading())).toEqual({ kind: 'no-such-log' });
    expect(await lines()).toHaveLength(before);
    const batch = reading();
    await appendToJob(firm, by, job, batch);
    await appendToJob(firm, by, job, batch);
    const after = await lines();
    expect(after).toHaveLength(before + 1);
    expect(after[0]?.about).toBe('2 entries, of 2 people who never belonged to this firm');
  });
});
