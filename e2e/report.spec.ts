import { readFile } from 'node:fs/promises';
import { parseCircuit, simulate } from '@fair-plug/core/circuit';
import { lampsOf } from '@fair-plug/core/instruments';
import { foldHouse, type JobStatement, receptaclesOf } from '@fair-plug/core/log';
import { type APIRequestContext, expect } from '@playwright/test';
import { v7 } from 'uuid';
import { dialog, entry, newHouse } from './house.ts';
import { test } from './own-firm.ts';
import { readPdf } from './pdf.ts';

const openDemoReport = async (page: import('@playwright/test').Page) => {
  await page.goto('/');
  await page
    .getByRole('listitem')
    .filter({ hasText: '27 Lantern Hollow' })
    .getByRole('link', { name: 'Report' })
    .click();
  await expect(page.getByRole('heading', { level: 1, name: 'Receptacle inspection' })).toBeVisible();
};

test.describe('of the demo house', () => {
  test.use({ inDemo: true });

  test('the report: what it says, on paper; printing it is called off', async ({ page }) => {
    await openDemoReport(page);

    await test.step('it names findings, what was not ruled out, what was not tested, and the cautions', async () => {
      const report = page.getByRole('article');
      await expect(report).toContainText('27 Lantern Hollow, Quillmere');
      const findings = report.getByRole('heading', { level: 3 });
      await expect(findings.filter({ hasText: /^\d+ Reads open neutral/ })).toBeVisible();
      await expect(findings.filter({ hasText: /^\d+ Reads hot and neutral reversed/ })).toBeVisible();
      await expect(report).toContainText('Family room 5, Family room 6, Family room 7');
      await expect(report).toContainText('not ruled out');
      await expect(report).toContainText('What “reads correct” does not rule out');
      await expect(report).toContainText('Den 1, Den 2');
      await expect(report).toContainText('The local code and the authority having jurisdiction decide');
      const kitchen = report.getByRole('table', { name: 'Kitchen' });
      await expect(kitchen.getByRole('row', { name: /Kitchen 7/ })).toContainText('Reads correct');
      await expect(kitchen.getByRole('img').first()).toHaveAccessibleName(
        'hot–neutral and hot–ground lit, neutral–ground off',
      );
    });

    await test.step('printing on the server tells how far it is, and can be called off', async () => {
      await page.getByRole('button', { name: 'PDF' }).click();
      await expect(page.getByRole('status').filter({ hasText: '…' })).toBeVisible();
      await page.getByRole('button', { name: 'Cancel' }).click();
      await expect(page.getByRole('button', { name: 'PDF' })).toBeVisible();
      await expect(page.getByRole('alert').filter({ hasText: /server|report/ })).toHaveCount(0);
    });

    await test.step('on paper the tools are gone and the page is black on white in either theme', async () => {
      await page.emulateMedia({ media: 'print', colorScheme: 'dark' });
      await expect(page.getByRole('article')).toBeVisible();
      await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
      await expect(page.getByRole('banner')).toBeHidden();
      const colours = await page.evaluate(() => {
        const { backgroundColor, color } = getComputedStyle(document.body);
        return [backgroundColor, color];
      });
      expect(colours).toEqual(['rgb(255, 255, 255)', 'rgb(0, 0, 0)']);
    });
  });

  test('the report as a PDF, the same report, and in Spanish', async ({ page }) => {
    await openDemoReport(page);

    await test.step('the PDF is the same report: tagged, with bookmarks, its text readable', async () => {
      const [download] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('button', { name: 'PDF' }).click(),
      ]);
      expect(download.suggestedFilename()).toBe('Report 27 Lantern Hollow, Quillmere.pdf');
      const pdf = await readPdf(await readFile(await download.path()));
      expect(pdf.title).toBe('Receptacle inspection, 27 Lantern Hollow, Quillmere');
      expect(pdf.tagged).toBe(true);
      expect(pdf.bookmarks).toEqual(
        expect.arrayContaining([
          'Receptacle inspection',
          'In short, for the owner',
          'Work list for the electrician',
          'Findings',
          'Kitchen',
        ]),
      );
      for (const words of [
        'Open neutral',
        'Probable cause',
        'Dangerous today',
        'Licence',
        'Family room 5, Family room 6, Family room 7',
        'Reversed bootleg ground',
        'Den 1, Den 2',
        'authority having jurisdiction',
        `1 of ${pdf.pages}`,
      ])
        expect(pdf.text).toContain(words);
    });

    await test.step('the owner’s page speaks Spanish, on screen and in the PDF', async () => {
      await page.getByLabel('Language of the owner’s page').selectOption('es');
      const owner = page.getByRole('region', { name: 'En breve, para el propietario' });
      await expect(owner).toContainText('Peligroso hoy');
      await expect(owner).toContainText('Polaridad invertida');
      const [download] = await Promise.all([
        page.waitForEvent('download', { timeout: 60_000 }),
        page.getByRole('button', { name: 'PDF' }).click(),
      ]);
      const pdf = await readPdf(await readFile(await download.path()));
      expect(pdf.text).toContain('No abra ninguna toma ni su caja');
    });
  });
});

test('a signature is drawn, stands in the report, and is taken over by the next one', async ({
  page,
  request,
}) => {
  const { job } = await newHouse(request, { Den: 1 });
  await page.goto(`/report?job=${job}`);
  await page.getByRole('button', { name: 'Sign' }).click();
  const field = page.getByLabel('Draw the signature here');
  const box = await field.boundingBox();
  if (box === null) throw new Error('no field to sign in');
  await page.mouse.move(box.x + 40, box.y + 60);
  await page.mouse.down();
  for (let step = 1; step <= 8; step += 1)
    await page.mouse.move(box.x + 40 + step * 25, box.y + 60 + (step % 2) * 30);
  await page.mouse.up();
  await dialog(page).getByRole('button', { name: 'Sign', exact: true }).click();
  await expect(page.getByRole('img', { name: 'Signature of Tessa Quillon' })).toBeVisible();
  await page.getByRole('button', { name: 'Sign' }).click();
  await dialog(page).getByText('Client', { exact: true }).click();
  await dialog(page).getByLabel('Name').fill('Nessa Averdale');
  await dialog(page).getByRole('button', { name: 'Sign', exact: true }).click();
  await expect(page.getByText('Client: Nessa Averdale')).toBeVisible();
});

/** A job of more entries than the server gives in one answer; what matters comes last. */
async function longJob(request: APIRequestContext): Promise<string> {
  const { job } = await newHouse(request, { Den: 1 });
  const append = async (said: readonly JobStatement[]) => {
    const answer = await request.post(`/api/jobs/${job}/entries`, { data: { entries: said.map(entry) } });
    expect(answer.ok()).toBe(true);
  };
  const [room, receptacle] = [v7(), v7()];
  await append([
    { kind: 'room-described', room, name: 'Attic' },
    { kind: 'receptacle-described', receptacle, room, name: 'Attic 1' },
  ]);
  const read = (pattern: 'hn-hg' | 'hn'): JobStatement => ({
    kind: 'lamps-read',
    receptacle,
    lamps: lampsOf(pattern),
  });
  for (let part = 0; part < 3; part += 1) await append(Array.from({ length: 400 }, () => read('hn-hg')));
  await append([read('hn')]);
  return job;
}

test('of a job that comes from the server in several parts the PDF is of the whole', async ({
  page,
  request,
}) => {
  const job = await longJob(request);
  await page.goto(`/report?job=${job}`);
  await expect(page.getByRole('article')).toContainText('Reads open ground');
  await expect(page.getByText('Not complete')).toHaveCount(0);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'PDF' }).click(),
  ]);
  const pdf = await readPdf(await readFile(await download.path()));
  expect(pdf.text).toContain('Reads open ground');
  expect(pdf.text).not.toContain('Not complete');
});

/** A report as the server prints it for who asks. */
async function printed(request: APIRequestContext, job: string, language = 'en') {
  const answer = await request.post(`/api/jobs/${job}/report`, { data: { language }, timeout: 60_000 });
  const last = JSON.parse((await answer.text()).trimEnd().split('\n').at(-1) ?? '{}');
  expect(last.stage).toBe('done');
  return readPdf(Buffer.from(last.pdf, 'base64'));
}

test('reports printed one after the other hold each what is known then, of its own job, in its own language', async ({
  request,
}) => {
  const first = await newHouse(request, { Den: 1 });
  const second = await newHouse(request, { Loft: 2 });
  expect((await printed(request, first.job)).text).toContain('1 of 1 receptacle was not tested');
  const [room, receptacle] = [v7(), v7()];
  const said: readonly JobStatement[] = [
    { kind: 'room-described', room, name: 'Attic' },
    { kind: 'receptacle-described', receptacle, room, name: 'Attic 1' },
    { kind: 'lamps-read', receptacle, lamps: lampsOf('hn') },
  ];
  await request.post(`/api/jobs/${first.job}/entries`, { data: { entries: said.map(entry) } });
  const again = await printed(request, first.job);
  expect(again.text).toContain('Reads open ground');
  expect(again.title).toContain(first.address);
  const other = await printed(request, second.job);
  expect(other.title).toContain(second.address);
  expect(other.text).toContain('Loft 2');
  for (const elsewhere of ['Reads open ground', 'Attic', first.address])
    expect(other.text).not.toContain(elsewhere);
  expect((await printed(request, second.job, 'es')).text).toContain('No abra ninguna toma');
  // Two at once are printed one after the other.
  const both = await Promise.all([printed(request, first.job), printed(request, second.job)]);
  expect(both.map(({ title }) => title.includes(first.address))).toEqual([true, false]);
});

test('the report of two hundred mixed readings on one breaker is printed', async ({ request }) => {
  const outlets = Array.from({ length: 40 }, (_, at) => ({ id: `r${at + 1}` }));
  const cables = outlets.map(({ id }, at) => ({
    id: `c${at + 1}`,
    from: at === 0 ? 'panel' : `r${at}`,
    to: id,
    meters: 3,
    metal: 'copper' as const,
    awg: 14,
  }));
  const instruments = ['lamps', 'probe', 'meter', 'meter-low', 'loaded'] as const;
  const tests = outlets.flatMap(({ id }) =>
    instruments.map((instrument) => ({
      at: id,
      instrument,
      ...(instrument === 'loaded' ? { amps: 12 } : {}),
    })),
  );
  const faults = [
    { kind: 'resistance', cable: 'c9', conductor: 'neutral', ohms: 1.2 },
    { kind: 'open', cable: 'c20', conductor: 'ground' },
    { kind: 'swap', at: 'r31', conductors: ['hot', 'neutral'] },
  ];
  const circuit = parseCircuit({ format: 'fair-plug/circuit@1', outlets, cables, faults, tests });
  if (circuit.kind !== 'parsed') throw new Error(JSON.stringify(circuit.problems));
  const { readings } = simulate(circuit.value);
  expect(readings).toHaveLength(200);
  const { job } = await newHouse(request, { Hall: 40 });
  const log = await (await request.get(`/api/jobs/${job}/entries`)).json();
  const ids = receptaclesOf(foldHouse(log.entries)).map(({ id }) => id);
  const idOf = (outlet: string): string => ids[Number(outlet.slice(1)) - 1] ?? '';
  const said = [
    ...ids.map(
      (receptacle, at): JobStatement => ({ kind: 'receptacle-fed', receptacle, breaker: '5', place: at + 1 }),
    ),
    ...readings.map(
      ({ at, ...shown }) => ({ kind: 'reading-taken', receptacle: idOf(at), shown }) as JobStatement,
    ),
  ];
  const kept = await request.post(`/api/jobs/${job}/entries`, { data: { entries: said.map(entry) } });
  expect(kept.ok()).toBe(true);
  const { text } = await printed(request, job);
  expect(text).toContain('Hall 40');
  expect(text).not.toContain('Not complete');
});

test('a job of which only a part has arrived says so, on screen and on paper, until the rest is there', async ({
  page,
  request,
}) => {
  const job = await longJob(request);
  const rest = /entries\?after=[1-9]/;
  await page.route(rest, (route) => route.abort());
  await page.goto(`/report?job=${job}`);
  await expect(page.getByRole('article')).toContainText('reads correct');
  const notes = page.getByText('Not complete: part of this job is still on the server');
  await expect(notes.first()).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('article').getByText('Not complete')).toBeVisible();
  await page.emulateMedia({ media: 'screen' });
  // As it is opened again, without the server answering for the rest.
  await page.goto(`/walk?job=${job}`);
  await expect(page.getByText('Part of this job is still on the server')).toBeVisible();
  await page.unroute(rest);
  await expect(page.getByText('Part of this job is still on the server')).toHaveCount(0, { timeout: 40_000 });
  await page.goto(`/report?job=${job}`);
  await expect(page.getByRole('article')).toContainText('Reads open ground');
  await expect(page.getByText('Not complete')).toHaveCount(0);
});
