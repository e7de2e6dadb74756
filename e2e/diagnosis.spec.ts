import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { diagnosisOf, parseDiagnosisInput } from '@fair-plug/core/engine';
import { enUs } from '@fair-plug/core/words';
import { expect, type Page } from '@playwright/test';
import { build } from 'esbuild';
import { testSettings, webFolder } from '../scripts/setup/settings.mjs';
import { inHand, pause, saved, verdict, walkOf } from './house.ts';
import { test } from './own-firm.ts';

test.use({ letsTimePass: true });

const dialog = (page: Page) => page.getByRole('dialog');

/** Which build gave the answers that are kept in this browser, circuit by circuit. */
const buildsOfAnswers = (): Promise<readonly string[]> =>
  new Promise((found, failed) => {
    void indexedDB.databases().then(([store]) => {
      const opening = indexedDB.open(store?.name ?? '');
      opening.onerror = failed;
      opening.onsuccess = () => {
        const asking = opening.result.transaction('answers').objectStore('answers').getAll();
        asking.onsuccess = () => {
          opening.result.close();
          found(asking.result.map(({ build }) => build));
        };
      };
    });
  });

test('the next test opens just that entry, and what it shows settles the verdict', async ({
  page,
  request,
}) => {
  await walkOf(page, request, { Den: 2 });
  await page.keyboard.press('3');
  await verdict(page).getByRole('button', { name: 'Hold the probe to each contact' }).click();
  await expect(dialog(page).getByRole('button', { name: 'Non-contact probe' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  for (const [contact, shows] of [
    ['Hot (narrow slot)', 'silent'],
    ['Neutral (wide slot)', 'silent'],
    ['Ground', 'sounds'],
  ] as const)
    await dialog(page).getByRole('group', { name: contact }).getByText(shows).click();
  await dialog(page).getByRole('button', { name: 'Record' }).click();
  await expect(dialog(page)).toHaveCount(0);
  await expect(verdict(page).getByRole('heading', { name: 'Hot and ground reversed' })).toBeVisible();
  await expect(verdict(page).getByRole('row', { name: /Non-contact probe/ })).toContainText('sounds');
  await expect(saved(page)).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: 'Den 1 reads hot and ground reversed' })).toBeVisible();
});

test('a meter is read in by keyboard alone, and undone', async ({ page, request }) => {
  await walkOf(page, request, { Den: 1 });
  await page.keyboard.press('4');
  await expect(verdict(page).getByRole('heading', { name: 'Reads open ground' })).toBeVisible();
  await page.keyboard.press('m');
  await expect(dialog(page).getByLabel('Hot–neutral')).toBeFocused();
  await page.keyboard.type('120.4');
  await page.keyboard.press('Tab');
  await page.keyboard.type('34');
  await page.keyboard.press('Tab');
  await page.keyboard.type('86.2');
  await page.keyboard.press('Enter');
  await expect(dialog(page)).toHaveCount(0);
  await expect(verdict(page).getByRole('row', { name: /^Meter/ })).toContainText('120.4 V');
  await page.keyboard.press('u');
  await expect(
    page.getByRole('status').filter({ hasText: 'Taken back: the reading of Den 1' }),
  ).toBeVisible();
  await expect(verdict(page).getByRole('row', { name: /^Meter/ })).toHaveCount(0);
});

test('receptacles put on one breaker show one cause, with its place, and one finding', async ({
  page,
  request,
}) => {
  // What is asked for next is chosen among what is in the bag.
  await page.goto('/kit');
  await page.getByRole('checkbox', { name: 'Load tester' }).check();
  const { job } = await walkOf(page, request, { Den: 4 });
  for (const [index, key] of ['1', '1', '4', '4'].entries()) {
    if (index > 0) await page.getByRole('button', { name: `Den ${index + 1} not read` }).click();
    await expect(inHand(page, `Den ${index + 1}`)).toBeVisible();
    await pause(page);
    await page.keyboard.press(key);
    await expect(page.getByRole('status').filter({ hasText: `Recorded: Den ${index + 1}` })).toBeVisible();
    await page.getByRole('button', { name: new RegExp(`^Den ${index + 1} reads`) }).click();
    await page.keyboard.press('t');
    await dialog(page).getByLabel('Breaker').fill('7');
    await dialog(page)
      .getByLabel('Place from panel')
      .fill(String(index + 1));
    await dialog(page).getByRole('button', { name: 'Set' }).click();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('status').filter({ hasText: 'is on breaker 7' })).toBeVisible();
  }
  const causes = page.getByRole('region', { name: 'Causes' });
  await expect(causes).toContainText('open ground · breaker 7');
  await expect(causes).toContainText('between Den 2 and Den 3');
  await expect(causes).toContainText('explains 2: Den 3, Den 4');
  await expect(causes).toContainText(/Breaker 7 next: .* at Den/);
  await page.goto(`/findings?job=${job}`);
  const findings = page.getByRole('navigation', { name: 'Findings' });
  await expect(findings.getByRole('button', { name: /to decide.*2 receptacles/ })).toHaveCount(1);
  await page.goto(`/report?job=${job}`);
  await expect(page.getByRole('definition').filter({ hasText: 'between Den 2 and Den 3' })).toHaveCount(1);
  await expect(page.getByRole('article')).toContainText('Den 3, Den 4');
  // Opened again, it need not be judged again.
  const sources = readFileSync(join(webFolder, testSettings().dist, 'fair-plug-sources'), 'utf8');
  await expect.poll(() => page.evaluate(buildsOfAnswers)).toEqual([sources.slice(0, 16)]);
});

test('the bench hides its faults, and readings taken one by one lead to them', async ({ page }) => {
  await page.goto('/bench');
  await page.getByLabel('Begin with').selectOption('Open neutral, a lamp on downstream');
  await page.getByRole('button', { name: 'Diagnose this' }).click();
  await expect(page.getByRole('region', { name: 'Faults' })).toHaveCount(0);
  const diagnosis = page.getByRole('region', { name: 'Diagnosis' });
  for (const at of ['den-1', 'den-2', 'den-3']) {
    await page.getByRole('button', { name: new RegExp(`^${at}`) }).click();
    await page.getByRole('button', { name: 'Plug-in lamps' }).click();
    await page.getByRole('button', { name: 'Meter', exact: true }).click();
  }
  await expect(diagnosis.getByRole('heading', { name: 'Diagnosis' })).toBeVisible();
  await expect(diagnosis.getByRole('listitem').first()).toContainText('open neutral cable c2');
  await expect(diagnosis).toContainText('between den-1 and den-2');
  await page.getByRole('button', { name: 'Show the faults' }).click();
  await expect(page.getByRole('region', { name: 'Faults' })).toBeVisible();
});

const question = {
  format: 'fair-plug/readings@1',
  readings: [
    { at: 'a', instrument: 'lamps', hn: 'lit', hg: 'lit', ng: 'off' },
    { at: 'b', instrument: 'lamps', hn: 'lit', hg: 'off', ng: 'lit' },
    { at: 'b', instrument: 'meter', hn: 120.2, hg: 0.1, ng: 120.2 },
  ],
  circuit: {
    format: 'fair-plug/circuit@1',
    outlets: [{ id: 'a' }, { id: 'b' }],
    cables: [
      { id: 'c1', from: 'panel', to: 'a', meters: 12, metal: 'copper', awg: 14 },
      { id: 'c2', from: 'a', to: 'b', meters: 4, metal: 'copper', awg: 14 },
    ],
  },
};

test('the server answers a diagnosis as the core does here, and refuses a wrong one with its path', async ({
  request,
}) => {
  const parsed = parseDiagnosisInput(question);
  if (parsed.kind === 'problems') throw new Error('the question is unsound');
  const answer = await request.post('/api/diagnose', { data: question });
  expect(await answer.json()).toEqual(JSON.parse(JSON.stringify(diagnosisOf(parsed.value, enUs))));
  const refused = await request.post('/api/diagnose', { data: { ...question, kit: ['hammer'] } });
  expect(refused.status()).toBe(400);
  expect((await refused.json()).error.fields[0].path).toBe('/kit/0');
});

test('the engine as a browser loads it answers the same in a worker, and is at most 80 KB compressed', async ({
  page,
}) => {
  const { outputFiles } = await build({
    stdin: {
      contents: `
        import { Diagnostician } from '@fair-plug/core/engine';
        onmessage = ({ data }) => {
          const engine = new Diagnostician({ circuit: data.circuit, unknownLoads: true, unknownDevices: new Set() });
          const { outlets } = engine.diagnose({ readings: data.readings, trippedBefore: [] });
          postMessage(outlets.map(({ condition, notRuledOut }) => [condition, notRuledOut]));
        };`,
      resolveDir: import.meta.dirname,
      loader: 'ts',
    },
    bundle: true,
    minify: true,
    write: false,
    format: 'iife',
    platform: 'browser',
  });
  const script = outputFiles[0]?.text ?? '';
  expect(gzipSync(script).byteLength).toBeLessThan(80 * 1024);
  const parsed = parseDiagnosisInput(question);
  if (parsed.kind === 'problems') throw new Error('the question is unsound');
  await page.goto('about:blank');
  const inWorker = await page.evaluate(
    ([source, circuit, readings]) =>
      new Promise((done, fail) => {
        const worker = new Worker(URL.createObjectURL(new Blob([source as string])));
        worker.onmessage = ({ data }) => done(data);
        worker.onerror = ({ message }) => fail(new Error(message));
        worker.postMessage({ circuit, readings });
      }),
    [script, parsed.value.circuit, question.readings] as const,
  );
  const here = diagnosisOf(parsed.value, enUs).outlets.map(({ condition, notRuledOut }) => [
    condition,
    notRuledOut,
  ]);
  expect(inWorker).toEqual(here);
});
