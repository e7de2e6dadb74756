import { pbkdf2 } from 'node:crypto';
import { setImmediate } from 'node:timers/promises';
import { promisify } from 'node:util';
import { expect, test } from 'vitest';
import { hashPassword, line, TooManyWaiting, verifyPassword } from './password-hashes.ts';

test('a password is known again by its hash, another is not', async () => {
  const hash = await hashPassword('a long password');
  expect(await verifyPassword({ hash, password: 'a long password' })).toBe(true);
  expect(await verifyPassword({ hash, password: 'another long password' })).toBe(false);
});

test('beside a dozen passwords there is a thread for what a connection to the database needs', async () => {
  let done = 0;
  const hashes = Array.from({ length: 12 }, async () => {
    await hashPassword('a long password');
    done += 1;
  });
  await setImmediate();
  // What PostgreSQL's own sign-in takes (SCRAM, RFC 5802), on the same threads.
  await promisify(pbkdf2)('secret', 'salt', 4096, 32, 'sha256');
  expect(done).toBeLessThan(8);
  await Promise.all(hashes);
});

test('who comes to a line that is full is told at once; who waits is served', async () => {
  const inTurn = line(2, 3);
  let letGo = (): void => {};
  const door = new Promise<void>((open) => {
    letGo = open;
  });
  const first = Array.from({ length: 5 }, () => inTurn(() => door));
  await expect(inTurn(() => door)).rejects.toThrow(TooManyWaiting);
  letGo();
  await Promise.all(first);
  expect(await inTurn(async () => 'served')).toBe('served');
});
