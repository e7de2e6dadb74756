import { assess } from '@fair-plug/core/assessment';
import { currentLamps, foldHouse, receptaclesOf } from '@fair-plug/core/log';
import { reportOn } from '@fair-plug/core/words';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { Connection } from '../../web/data/database.ts';
import { demoEmail } from '../../web/data/demo.ts';
import { FirmData, firmsOf } from '../../web/data/firm-data.ts';
import { listJobs } from '../../web/data/jobs.ts';
import { jobPage } from '../../web/data/log-pages.ts';
import { freshDatabase } from '../../web/data/testing-database.ts';
import { prepareDemo } from './prepare.ts';

let connection: Connection;
let drop: () => Promise<void>;

beforeAll(async () => {
  ({ connection, drop } = await freshDatabase());
  await prepareDemo(connection, 'the first password');
});
afterAll(() => drop());

async function demoFirm(): Promise<FirmData> {
  const { id } = await connection
    .selectFrom('person')
    .select('id')
    .where('email', '=', demoEmail)
    .executeTakeFirstOrThrow();
  const [own] = await firmsOf(connection, id);
  const entered = await FirmData.of(connection, id, own?.id ?? '');
  if (entered === null) throw new Error('the demo has no firm');
  return entered.firm;
}

describe('the demo', () => {
  test('the split-level has 60 receptacles, 48 of them read, 8 not correct', async () => {
    const firm = await demoFirm();
    const job = (await listJobs(firm)).find((one) => one.yearBuilt === 1966);
    expect(job).toMatchObject({ receptacles: 60, tested: 48 });
    const page = await jobPage(firm, job?.id ?? '', 0);
    const house = foldHouse(page?.entries ?? []);
    expect(receptaclesOf(house).filter((one) => currentLamps(one) === null)).toHaveLength(12);
    const assessment = assess(house);
    expect(assessment.counts.withFinding).toBe(8);
    const shown = reportOn(assessment).findings.flatMap(({ proposal }) => proposal?.verdict ?? []);
    expect(shown.map(({ signature }) => signature)).toEqual(['hg-ng', 'hg', 'hn-ng', 'hn', 'none']);
  });

  test('loading again changes nothing but the password', async () => {
    const firm = await demoFirm();
    // What the findings come to is worked out beside the list.
    const listed = async () => (await listJobs(firm)).map(({ findings: _, ...line }) => line);
    const before = await listed();
    const passwords = () => connection.selectFrom('account').select('password').execute();
    const [first] = await passwords();
    await prepareDemo(connection, 'the second password');
    expect(await listed()).toEqual(before);
    const [second, ...more] = await passwords();
    expect(second?.password).not.toBe(first?.password);
    expect(more).toEqual([]);
  });
});
