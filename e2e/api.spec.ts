import { lampsOf } from '@fair-plug/core/instruments';
import { expect } from '@playwright/test';
import { v7 } from 'uuid';
import { entry, newHouse } from './house.ts';
import { test } from './own-firm.ts';

const reading = () => entry({ kind: 'lamps-read', receptacle: v7(), lamps: lampsOf('hn') });

test('health says that application and database are well, and which version answers', async ({ request }) => {
  const answer = await request.get('/api/health');
  expect(answer.status()).toBe(200);
  expect(await answer.json()).toEqual({
    status: 'ok',
    database: 'ok',
    disk: 'ok',
    restarts: 0,
    version: expect.stringMatching(/^\d+\.\d+\.\d+$/),
  });
});

test('a connection rests longer here than proxies and clients let it: none is closed under a request', async ({
  request,
}) => {
  const answer = await request.get('/api/health');
  expect(answer.headers()['keep-alive']).toBe('timeout=75');
});

test.describe('what is wrong with a request is said, and nothing is stored', () => {
  let job: string;
  let before: unknown;

  test.beforeEach(async ({ request }) => {
    ({ job } = await newHouse(request, { Den: 1 }));
    before = await (await request.get(`/api/jobs/${job}/entries`)).json();
  });
  test.afterEach(async ({ request }) => {
    expect(await (await request.get(`/api/jobs/${job}/entries`)).json()).toEqual(before);
  });

  const bad: readonly [what: string, body: () => unknown, path: string][] = [
    ['an unknown key', () => ({ entries: [reading(), { ...reading(), note: 'x' }] }), '/entries/1'],
    [
      'a pattern that does not exist',
      () => ({ entries: [{ ...reading(), lamps: { hn: 'bright', hg: 'lit', ng: 'off' } }] }),
      '/entries/0/lamps/hn',
    ],
    ['an unknown kind', () => ({ entries: [{ ...reading(), kind: 'guess' }] }), '/entries/0/kind'],
    ['no entries', () => ({ entries: [] }), '/entries'],
    ['a key beside the entries', () => ({ entries: [reading()], firm: v7() }), '/'],
    ['an array instead of an object', () => [reading()], '/'],
  ];
  for (const [what, body, path] of bad)
    test(what, async ({ request }) => {
      const answer = await request.post(`/api/jobs/${job}/entries`, { data: body() });
      expect(answer.status()).toBe(400);
      const { error } = await answer.json();
      expect(error.code).toBe('invalid');
      expect(error.fields[0].path).toBe(path);
      expect(error.fields[0].message).toMatch(/\w+/);
    });

  test('malformed JSON', async ({ request }) => {
    const answer = await request.post(`/api/jobs/${job}/entries`, {
      headers: { 'Content-Type': 'application/json' },
      data: Buffer.from('{"entries": ['),
    });
    expect(answer.status()).toBe(400);
    expect((await answer.json()).error).toEqual({ code: 'malformed', message: 'The body is not JSON.' });
  });

  test('bytes that are not text', async ({ request }) => {
    const answer = await request.post(`/api/jobs/${job}/entries`, {
      headers: { 'Content-Type': 'application/json' },
      data: Buffer.from([0x7b, 0xff, 0xfe, 0x7d]),
    });
    expect(answer.status()).toBe(400);
    expect((await answer.json()).error.code).toBe('malformed');
  });

  test('a body of 5 MB', async ({ request }) => {
    const entries = [{ ...reading(), note: 'x'.repeat(5_000_000) }];
    const answer = await request.post(`/api/jobs/${job}/entries`, { data: { entries } });
    expect(answer.status()).toBe(413);
    expect((await answer.json()).error.code).toBe('too-large');
  });

  test('a body that another site’s form could send', async ({ request }) => {
    const answer = await request.post(`/api/jobs/${job}/entries`, {
      headers: { 'Content-Type': 'text/plain' },
      data: JSON.stringify({ entries: [reading()] }),
    });
    expect(answer.status()).toBe(415);
  });

  test('an id that stands with other content', async ({ request }) => {
    const one = (before as { entries: object[] }).entries[0];
    const answer = await request.post(`/api/jobs/${job}/entries`, {
      data: { entries: [{ ...one, at: '2001-01-01T00:00:00.000Z' }] },
    });
    expect(answer.status()).toBe(409);
  });

  test('a job that does not exist', async ({ request }) => {
    for (const id of [v7(), 'nonsense', `${job}'; drop table entry; --`]) {
      const path = `/api/jobs/${encodeURIComponent(id)}/entries`;
      const sent = await request.post(path, { data: { entries: [reading()] } });
      expect(sent.status(), id).toBe(404);
      expect((await request.get(path)).status(), id).toBe(404);
    }
    expect((await request.post(`/api/jobs/${v7()}/report`, { data: { language: 'en' } })).status()).toBe(404);
  });
});

test('the same entries sent twice are stored once', async ({ request }) => {
  const { job } = await newHouse(request, { Den: 1 });
  const data = { entries: [reading(), reading()] };
  const path = `/api/jobs/${job}/entries`;
  expect(await (await request.post(path, { data })).json()).toMatchObject({ stored: 2, known: 0 });
  expect(await (await request.post(path, { data })).json()).toMatchObject({ stored: 0, known: 2 });
});

test('every answer carries the headers that keep other sites out', async ({ request }) => {
  for (const path of ['/', '/walk', '/api/health']) {
    const headers = (await request.get(path)).headers();
    expect(headers['content-security-policy'], path).toContain("frame-ancestors 'none'");
    expect(headers['x-content-type-options'], path).toBe('nosniff');
    expect(headers['x-powered-by'], path).toBeUndefined();
  }
});
