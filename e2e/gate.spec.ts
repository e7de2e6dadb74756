import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type APIRequestContext, expect } from '@playwright/test';
import { sql } from 'kysely';
import { v7 } from 'uuid';
import { root, testSettings } from '../scripts/setup/settings.mjs';
import { entry, newHouse } from './house.ts';
import { owner, test } from './own-firm.ts';

const methods = ['GET', 'POST', 'PUT', 'PATCH', 'DELETE'] as const;

/** What answers without a session, and why. */
const open: Readonly<Record<string, string>> = {
  'GET /api/health': 'whether the server can work',
  'GET /api/start': 'whether there is a firm, and a demo',
  'POST /api/sign-in': 'the door',
  'POST /api/demo': 'the door, in demo mode alone',
  'POST /api/first-run': 'the door, in an empty database alone',
  'GET /api/join': 'what an invitation offers to who holds it',
  'POST /api/join': 'the door, for who holds an invitation',
  'POST /api/password-reset': 'asks for a link by mail',
  'POST /api/password-reset/new': 'for who holds the link',
  'GET /api/mail': 'in demo mode alone',
};

/** Pages are static and hold nobody's data; these are all of them. */
const pages = [
  '/',
  '/account',
  '/bench',
  '/circuits',
  '/findings',
  '/first-run',
  '/forgotten',
  '/join',
  '/kit',
  '/mail',
  '/new-password',
  '/people',
  '/prepare',
  '/report',
  '/settings',
  '/sign-in',
  '/walk',
];

/** Every path of the build, with ids put in. */
const routes = Object.entries(
  JSON.parse(
    readFileSync(join(root, 'web', testSettings().dist, 'app-path-routes-manifest.json'), 'utf8'),
  ) as Record<string, string>,
);
const apiPaths = routes.flatMap(([file, path]) =>
  file.endsWith('/route') && path.startsWith('/api') ? [path] : [],
);
const someId = '01890000-0000-7000-8000-000000000000';

const stranger = { storageState: { cookies: [], origins: [] } };

test.describe('without a session', () => {
  test.use(stranger);

  test('no route of the build answers but those on the list', async ({ request }) => {
    expect(apiPaths.length).toBeGreaterThan(15);
    const answered: string[] = [];
    for (const path of apiPaths)
      for (const method of methods) {
        const name = `${method} ${path}`;
        if (name in open) continue;
        const answer = await request.fetch(path.replaceAll(/\[\w+\]/g, someId), { method, data: {} });
        // 405: the route has no such method.
        if (answer.status() !== 401 && answer.status() !== 405) answered.push(`${name}: ${answer.status()}`);
      }
    expect(answered).toEqual([]);
  });

  test('what is on the list exists', () => {
    for (const name of Object.keys(open)) expect(apiPaths).toContain(name.split(' ')[1]);
  });

  test('pages are made at build time, for nobody in particular', async ({ request }) => {
    const built = routes.flatMap(([file, path]) =>
      file.endsWith('/page') && !path.startsWith('/_') ? [path] : [],
    );
    expect(built.sort()).toEqual([...pages].sort());
    for (const path of pages) {
      const headers = (await request.get(path)).headers();
      expect(headers['x-nextjs-prerender']).toMatch(/^1/);
      // No cache on the way keeps them for others.
      expect(headers['cache-control']).toBe('private, no-cache');
    }
  });

  test('an unknown address and a wrong password get the same answer', async ({ request }) => {
    const tried = async (email: string) => {
      const answer = await request.post('/api/sign-in', { data: { email, password: 'not the password' } });
      return [answer.status(), await answer.text()];
    };
    const unknown = await tried('nobody@example.invalid');
    expect(unknown[0]).toBe(401);
    expect(await tried('demo@fair-plug.invalid')).toEqual(unknown);
    const asked = async (email: string) => {
      const answer = await request.post('/api/password-reset', { data: { email } });
      return [answer.status(), await answer.text()];
    };
    expect(await asked('nobody@example.invalid')).toEqual(await asked('somebody@example.invalid'));
  });

  test('a forged cookie is no session', async ({ request }) => {
    const answer = await request.get('/api/session', {
      headers: { cookie: 'fair-plug.session_token=abc.def' },
    });
    expect(answer.status()).toBe(401);
  });
});

test.describe('with a session', () => {
  test('who sends or prints far more than anybody does waits', async ({ request, connection }) => {
    const { job } = await newHouse(request, { Den: 1 });
    // As after so many tries: the limiter counts them by person.
    for (const limit of ['entries-person', 'report-person'])
      await sql`
        insert into rate_limit (key, points, expire)
        values (${`${limit}:${owner.id}`}, 2000, ${Date.now() + 60_000})
        on conflict (key) do update set points = 2000`.execute(connection);
    const said = { entries: [entry({ kind: 'job-described', about: 'x' })] };
    for (const [path, data] of [
      [`/api/jobs/${job}/entries`, said],
      ['/api/jobs', { job: v7(), ...said }],
      [`/api/jobs/${job}/report`, { language: 'en' }],
    ] as const) {
      const answer = await request.post(path, { data });
      expect([path, answer.status()]).toEqual([path, 429]);
    }
  });

  test('other sites’ pages may not write', async ({ request }) => {
    const { job } = await newHouse(request, { Den: 1 });
    for (const headers of [
      { origin: 'https://other.example' },
      { origin: 'null' },
      { 'sec-fetch-site': 'cross-site' },
      { 'sec-fetch-site': 'same-site' },
    ]) {
      const answer = await request.post(`/api/jobs/${job}/entries`, { headers, data: { entries: [] } });
      expect(answer.status()).toBe(403);
    }
  });

  test('a browser with an older or newer application is told so, and nothing is taken', async ({
    request,
  }) => {
    for (const [version, said] of [
      ['0', 'older than the server'],
      ['999', 'The server is older'],
    ] as const) {
      const answer = await request.get('/api/logs', { headers: { 'X-Fair-Plug-Protocol': version } });
      expect(answer.status()).toBe(426);
      expect((await answer.json()).error.message).toContain(said);
    }
  });

  test('what an older application kept is taken; what newer ones wrote is not given to it', async ({
    request,
  }) => {
    const { job } = await newHouse(request, { Den: 1 });
    const path = `/api/jobs/${job}/entries`;
    const headers = { 'X-Fair-Plug-Protocol': '3' };
    const receptacle = v7();
    const data = {
      entries: [entry({ kind: 'lamps-read', receptacle, lamps: { hn: 'lit', hg: 'off', ng: 'off' } })],
    };
    expect((await request.post(path, { headers, data })).ok()).toBe(true);
    expect((await request.get(path, { headers })).status()).toBe(426);
    const { entries } = await (await request.get(path)).json();
    expect(entries).toContainEqual(expect.objectContaining({ receptacle }));
  });

  test('what one person entered is not taken in another’s session', async ({ request }) => {
    const { job } = await newHouse(request, { Den: 1 });
    const path = `/api/jobs/${job}/entries`;
    const before = await (await request.get(path)).json();
    const data = { entries: [entry({ kind: 'room-described', room: v7(), name: 'Attic' })] };
    const headers = { 'X-Fair-Plug-Person': someId };
    for (const answer of [
      await request.post(path, { headers, data }),
      await request.get(path, { headers }),
      await request.get('/api/logs', { headers }),
    ])
      expect(answer.status()).toBe(401);
    expect(await (await request.get(path)).json()).toEqual(before);
  });

  test('a firm that one does not belong to is not entered', async ({ request }) => {
    for (const firm of [someId, 'nonsense', "' or true --"]) {
      const answer = await request.get('/api/jobs', { headers: { 'X-Fair-Plug-Firm': firm } });
      expect(answer.status()).toBe(403);
    }
  });

  test('the cookie is kept from scripts and from other sites', async ({ playwright, baseURL }) => {
    const context: APIRequestContext = await playwright.request.newContext({
      ...stranger,
      baseURL: baseURL ?? '',
    });
    const answer = await context.post('/api/demo');
    const cookies = answer.headersArray().filter(({ name }) => name.toLowerCase() === 'set-cookie');
    expect(cookies.length).toBeGreaterThan(0);
    for (const { value } of cookies) {
      expect(value).toMatch(/HttpOnly/i);
      expect(value).toMatch(/SameSite=Lax/i);
    }
    await context.dispose();
  });

  test('pages carry a policy without inline scripts but those of the build, and no page may frame them', async ({
    page,
  }) => {
    const problems: string[] = [];
    page.on('console', (message) => {
      if (message.type() === 'error') problems.push(message.text());
    });
    for (const path of [...pages, '/nowhere']) {
      const answer = await page.goto(path);
      const policy = answer?.headers()['content-security-policy'] ?? '';
      const scripts = /script-src ([^;]*)/.exec(policy)?.[1] ?? 'missing';
      expect(scripts).not.toContain('unsafe');
      expect(policy).toContain("frame-ancestors 'none'");
      await page.evaluate(() => {
        const script = document.createElement('script');
        script.textContent = 'window.wasInjected = true';
        document.body.append(script);
      });
      expect(await page.evaluate(() => 'wasInjected' in window)).toBe(false);
    }
    expect(problems.filter((text) => !/inline script|404/.test(text))).toEqual([]);
  });
});
