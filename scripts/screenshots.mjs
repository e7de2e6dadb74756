import { join } from 'node:path';
import { chromium as driver } from 'playwright-core';
import { runMain } from './setup/refusal.mjs';
import { root, startSettings } from './setup/settings.mjs';
import { chromium } from './setup/toolchain.mjs';

const desk = { width: 1280, height: 800 };
const phone = { width: 390, height: 844 };

/** Every main view: its file, its path, and what is pressed before the picture is taken. */
const views = [
  { file: 'jobs', path: () => '/', size: desk },
  { file: 'prepare', path: (job) => `/prepare?job=${job}`, size: desk, scrollTo: 'What to expect' },
  {
    file: 'walk',
    path: (job) => `/walk?job=${job}`,
    size: desk,
    keys: ['ArrowUp', 'ArrowUp', ...Array(5).fill('ArrowRight')],
  },
  { file: 'walk-phone', path: (job) => `/walk?job=${job}`, size: phone },
  {
    file: 'walk-phone-basement',
    path: (job) => `/walk?job=${job}`,
    size: phone,
    colorScheme: 'dark',
    keys: ['ArrowUp', ...Array(3).fill('ArrowRight')],
  },
  {
    file: 'walk-ground-fault',
    path: (job) => `/walk?job=${job}`,
    size: phone,
    keys: [...Array(8).fill('ArrowUp'), 'g'],
  },
  {
    file: 'walk-photos',
    path: (job) => `/walk?job=${job}`,
    size: phone,
    keys: [...Array(9).fill('ArrowUp'), 'ArrowRight', 'v'],
    presses: [/^Photo 1/],
  },
  { file: 'walk-panel', path: (job) => `/walk?job=${job}`, size: phone, keys: ['d'] },
  { file: 'kit', path: () => '/kit', size: desk, presses: ['Set up a tester'] },
  {
    file: 'bench-diagnosing',
    path: () => '/bench',
    size: desk,
    choose: 'Open neutral, a lamp on downstream',
    presses: [
      'Diagnose this',
      'Plug-in lamps',
      /^den-2/,
      'Plug-in lamps',
      /^den-3/,
      'Plug-in lamps',
      'Meter',
    ],
  },
  {
    file: 'circuits',
    path: (job) => `/circuits?job=${job}`,
    size: desk,
    presses: [/^8 Living room/],
  },
  {
    file: 'circuits-volts',
    path: (job) => `/circuits?job=${job}`,
    size: desk,
    keys: ['2'],
    presses: [/^11 Bath/],
  },
  { file: 'findings', path: (job) => `/findings?job=${job}`, size: desk, keys: ['ArrowDown'] },
  { file: 'report', path: (job) => `/report?job=${job}`, size: desk },
  { file: 'report-photos', path: (job) => `/report?job=${job}`, size: desk, scrollTo: 'Findings' },
  {
    file: 'report-work-list',
    path: (job) => `/report?job=${job}`,
    size: desk,
    scrollTo: 'Work list for the electrician',
  },
  { file: 'report-heat', path: (job) => `/report?job=${job}`, size: desk, scrollTo: 'Switches and lights' },
  { file: 'settings', path: () => '/settings', size: desk },
  { file: 'people', path: () => '/people', size: desk },
];

/** As it stands in the end, however slow the machine. */
async function whenJudged(page) {
  for (const words of ['still being judged', 'Being judged'])
    await page.getByText(words).first().waitFor({ state: 'detached', timeout: 120_000 });
}

/** Takes the pictures of docs/screenshots from a running application with the demo data. */
await runMain(async () => {
  const origin = `http://127.0.0.1:${startSettings().port}`;
  const browser = await driver.launch({
    executablePath: chromium,
    args: process.getuid?.() === 0 ? ['--no-sandbox'] : [],
  });
  const signingIn = await browser.newContext({ baseURL: origin });
  await signingIn.request.post('/api/demo');
  const { jobs } = await (await signingIn.request.get('/api/jobs')).json();
  const job = jobs.find((one) => one.yearBuilt === 1966).id;
  // With what the engine answers once: no picture has to wait for it.
  const judged = await signingIn.newPage();
  await judged.goto(`/report?job=${job}`);
  await judged.getByRole('article').waitFor();
  await whenJudged(judged);
  await judged.waitForTimeout(2500);
  const storageState = await signingIn.storageState({ indexedDB: true });
  for (const {
    file,
    path,
    size,
    colorScheme = 'light',
    keys = [],
    choose,
    presses = [],
    scrollTo,
  } of views) {
    const page = await browser.newPage({
      viewport: size,
      colorScheme,
      isMobile: size === phone,
      storageState,
    });
    await page.goto(origin + path(job));
    await page.getByText('saved on the server').waitFor();
    await page.getByRole('heading', { level: 1 }).waitFor();
    // What is explained once is read.
    for (let note = page.getByRole('button', { name: /^Got it/ }); (await note.count()) > 0; )
      await note.first().press('Enter');
    for (const key of keys) await page.keyboard.press(key);
    if (choose) await page.getByLabel('Begin with').selectOption(choose);
    for (const name of presses) await page.getByRole('button', { name, exact: true }).click();
    if (scrollTo)
      await page
        .getByRole('heading', { name: scrollTo })
        .evaluate((heading) => heading.scrollIntoView({ block: 'start' }));
    await page.evaluate(() => document.fonts.ready);
    await page.getByText('Being assessed').first().waitFor({ state: 'detached' });
    await whenJudged(page);
    await page.waitForTimeout(2500);
    await page.screenshot({ path: join(root, `docs/screenshots/${file}.png`) });
    await page.close();
  }
  await browser.close();
});
