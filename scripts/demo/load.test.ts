import { currentReading, foldHouse, receptaclesOf } from '@fair-plug/core/inspection';
import { reportOn } from '@fair-plug/core/report';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { Connection } from '../../web/data/database.ts';
import { currentSession } from '../../web/data/firms.ts';
import { listJobs } from '../../web/data/jobs.ts';
import { jobPage } from '../../web/data/logs.ts';
import { freshDatabase } from '../../web/data/testing-database.ts';
import { loadDemo } from './load.ts';

let connection: Connection;
let drop: () => Promise<void>;

beforeAll(async () => {
  ({ connection, drop } = await freshDatabase());
  await loadDemo(connection);
});
afterAll(() => drop());

describe('the demo', () => {
  test('the split-level has 60 receptacles, 48 of them read, 8 not correct', async () => {
    const { organization } = await currentSession(connection);
    const job = (await listJobs(connection, organization.id)).find((one) => one.yearBuilt === 1966);
    expect(job).toMatchObject({ receptacles: 60, tested: 48, withFinding: 8, actNow: 1 });
    const page = await jobPage(connection, organization.id, job?.id ?? '', 0);
    const house = foldHouse(page?.entries ?? []);
    expect(receptaclesOf(house).filter((one) => currentReading(one) === null)).toHaveLength(12);
    expect(reportOn(house).findings.map((finding) => finding.verdict.signature)).toEqual([
      'hg-ng',
      'hn-ng',
      'hn',
      'none',
    ]);
  });

  test('loading again changes nothing', async () => {
    const { organization } = await currentSession(connection);
    const before = await listJobs(connection, organization.id);
    await loadDemo(connection);
    expect(await listJobs(connection, organization.id)).toEqual(before);
  });
});
