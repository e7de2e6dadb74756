import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { knownDevice, knownFrom } from './known-device.ts';

beforeEach(() => {
  vi.stubEnv('FAIRPLUG_SECRET', 'a secret of more than thirty-two characters');
  vi.stubEnv('FAIRPLUG_ORIGIN', 'http://127.0.0.1:3000');
});
afterEach(() => vi.unstubAllEnvs());

const asSent = (cookie: string): string => cookie.split(';', 1)[0] ?? '';

test('a browser is known for who signed in there, however they write their address, and for nobody else', () => {
  const cookie = asSent(knownFrom(null, 'edda@plug.example'));
  expect(knownDevice(cookie, ' Edda@plug.example')).not.toBeNull();
  expect(knownDevice(`other=1; ${cookie}`, 'edda@plug.example')).not.toBeNull();
  expect(knownDevice(cookie, 'una@plug.example')).toBeNull();
  expect(knownDevice(null, 'edda@plug.example')).toBeNull();
});

test('several people have their marks in one browser, each stays the same, and the latest five are held', () => {
  const people = Array.from({ length: 7 }, (_, n) => `person${n}@plug.example`);
  let cookie: string | null = null;
  for (const email of people) cookie = asSent(knownFrom(cookie, email));
  expect(people.map((email) => knownDevice(cookie, email) !== null)).toEqual([
    ...[false, false],
    ...[true, true, true, true, true],
  ]);
  const again = asSent(knownFrom(cookie, 'person5@plug.example'));
  expect(knownDevice(again, 'person5@plug.example')).toBe(knownDevice(cookie, 'person5@plug.example'));
});

test('a forged mark is none, nor one that another secret sealed', () => {
  const cookie = asSent(knownFrom(null, 'edda@plug.example'));
  expect(
    knownDevice(
      cookie.replace(/.$/, (one) => (one === 'A' ? 'B' : 'A')),
      'edda@plug.example',
    ),
  ).toBeNull();
  expect(knownDevice('fair-plug.known=x.y~~.', 'edda@plug.example')).toBeNull();
  vi.stubEnv('FAIRPLUG_SECRET', 'another secret of more than thirty-two characters');
  expect(knownDevice(cookie, 'edda@plug.example')).toBeNull();
});

test('under https the cookie is bound to the host and to https', () => {
  vi.stubEnv('FAIRPLUG_ORIGIN', 'https://plug.example');
  expect(knownFrom(null, 'edda@plug.example')).toMatch(
    /^__Host-fair-plug\.known=.*; Path=\/; .*HttpOnly.*; Secure$/,
  );
});
