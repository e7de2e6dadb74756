import pg from 'pg';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { Limits } from './limits.ts';
import { type FreshDatabase, freshDatabase } from './testing-database.ts';

let fresh: FreshDatabase;
let pool: pg.Pool;

beforeAll(async () => {
  fresh = await freshDatabase();
  pool = new pg.Pool({ connectionString: fresh.ownerUrl });
  pool.on('error', () => {});
});
afterAll(async () => {
  await pool.end();
  await fresh.drop();
});

describe('how often something may be tried', () => {
  test('is counted by address without regard to case, and a new process goes on counting', async () => {
    const first = new Limits(pool);
    for (let tries = 0; tries < 10; tries += 1)
      expect(await first.secondsToWait('sign-in-address', 'a@example.invalid')).toBeNull();
    const second = new Limits(pool);
    expect(await second.secondsToWait('sign-in-address', 'A@Example.invalid')).toBeGreaterThan(60);
    expect(await second.secondsToWait('sign-in-address', 'b@example.invalid')).toBeNull();
    expect(await second.secondsToWait('reset-address', 'a@example.invalid')).toBeNull();
  });

  test('of what a person does the limits are counted apart, for each person', async () => {
    const limits = new Limits(pool);
    for (let prints = 0; prints < 40; prints += 1)
      expect(await limits.secondsToWait('report-person', 'one')).toBeNull();
    expect(await limits.secondsToWait('report-person', 'one')).toBeGreaterThan(0);
    expect(await limits.secondsToWait('report-person', 'another')).toBeNull();
    expect(await limits.secondsToWait('entries-person', 'one')).toBeNull();
    expect(await limits.secondsToWait('password-person', 'one')).toBeNull();
  });

  test('tries at the same time are all counted', async () => {
    const limits = new Limits(pool);
    const tries = await Promise.all(
      Array.from({ length: 15 }, () => limits.secondsToWait('sign-in-address', 'c@example.invalid')),
    );
    expect(tries.filter((wait) => wait === null)).toHaveLength(10);
  });
});
