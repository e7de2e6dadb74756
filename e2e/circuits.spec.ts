import { lampPatterns } from '@fair-plug/core/instruments';
import type { JobEntry, JobStatement } from '@fair-plug/core/log';
import { type APIRequestContext, expect, type Page } from '@playwright/test';
import { v7 } from 'uuid';
import { demoHouses } from '../scripts/demo/houses.ts';
import { logOf } from '../scripts/demo/load.ts';
import { expectNoViolation } from './axe.ts';
import { cause, graph, list, view } from './circuit-page.ts';
import { dialog, entry, inHand, newHouse, pause, saved } from './house.ts';
import { test } from './own-firm.ts';

/** The demo’s house of 1966 in the firm of this test; `isLeft` says what of its log is left out. */
async function demoHouse(
  request: APIRequestContext,
  isLeft: (statement: JobStatement) => boolean = () => false,
): Promise<string> {
  const house = demoHouses.find(({ yearBuilt }) => yearBuilt === 1966);
  if (house === undefined) throw new Error('the demo house of 1966 is missing');
  const job = v7();
  const entries = logOf(house)
    .map(
      ({ id: _, device: _d, author: _a, at: _t, clock: _c, link: _l, received: _r, ...said }) =>
        said as JobStatement,
    )
    .filter((said) => !isLeft(said))
    .map(entry);
  expect((await request.post('/api/jobs', { data: { job, entries } })).ok()).toBe(true);
  return job;
}

const logOnServer = async (page: Page, job: string): Promise<readonly JobEntry[]> =>
  (await (await page.request.get(`/api/jobs/${job}/entries`)).json()).entries;

/** What is in the middle of the screen. */
const seen = 'section[aria-label="Circuit"]';

/** Places that were said along a run, in the order in which they were. */
const fedIn = async (page: Page, job: string) =>
  (await logOnServer(page, job)).flatMap((one) =>
    one.kind === 'receptacle-fed' && one.breaker === '8' ? [one.place] : [],
  );

test('from raw readings to accepted causes: put in order by one tap each, judged, decided, looked into', async ({
  page,
  request,
}) => {
  const job = await demoHouse(request, (said) => said.kind === 'receptacle-fed' && said.breaker === '8');
  await page.goto(`/circuits?job=${job}`);
  await expect(list(page).getByRole('button', { name: /^5 Kitchen counter left/ })).toBeVisible();
  await view(page, 'Order').click();
  await page.getByLabel('Breaker whose run is put in order').fill('8');
  const plan = page.getByRole('region', { name: 'Living room', exact: true });
  for (const number of [1, 2, 3, 4, 6])
    await plan.getByRole('button', { name: new RegExp(`^Living room ${number}`) }).click();
  const run = page.getByRole('list', { name: 'Along the run of breaker 8' });
  await expect(run.getByRole('listitem')).toHaveCount(5);
  // One too far: taken back by one press.
  await page.getByRole('button', { name: 'Take the last one back' }).click();
  await expect(run.getByRole('listitem')).toHaveCount(4);
  await plan.getByRole('button', { name: /^Living room 5/ }).click();
  await page.getByRole('combobox', { name: 'Or type the next one' }).fill('Living room 6');
  await page.getByRole('combobox', { name: 'Or type the next one' }).press('Enter');
  await page.getByRole('button', { name: 'End of the run' }).click();
  await expect(run.getByRole('listitem').last()).toContainText('end of the run');
  await expect(saved(page)).toBeVisible();
  // One entry a tap.
  expect(await fedIn(page, job)).toEqual([1, 2, 3, 4, 5, 5, 6]);

  await list(page)
    .getByRole('button', { name: /^8 Living room/ })
    .click();
  await view(page, 'Graph').click();
  await expect(cause(page).getByRole('heading', { level: 2 })).toContainText(/open neutral \(\d\d %\)/);
  await expect(cause(page)).toContainText('between Living room 4 and Living room 5');
  await expect(cause(page)).toContainText('Explains 2 receptacles');
  await expect(cause(page)).toContainText('Open first: Living room 4');
  await expect(cause(page).getByRole('row', { name: /Living room 5: Low-impedance meter/ })).toBeVisible();

  // Accepted wrongly, and taken back.
  await cause(page).getByRole('button', { name: 'Accept' }).click();
  await expect(cause(page).getByRole('status').first()).toHaveText('Accepted');
  await cause(page).getByRole('button', { name: 'Take back' }).click();
  await expect(cause(page).getByRole('status').first()).toHaveText('Not decided');
  // The box nearer the panel was opened, and it was not there; then the other, and there it was.
  await cause(page).getByRole('button', { name: 'Cover off …' }).click();
  await expect(dialog(page)).toContainText('proved dead');
  await dialog(page).getByRole('button', { name: 'Not found in the box of Living room 4' }).click();
  await expect(cause(page)).toContainText('Open first: Living room 5');
  await cause(page).getByRole('button', { name: 'Cover off …' }).click();
  await dialog(page).getByRole('button', { name: 'Found in the box of Living room 5', exact: true }).click();
  await expect(cause(page).getByRole('heading', { level: 2 })).toContainText('(over 99 %)');
  await cause(page).getByRole('button', { name: 'Accept' }).click();
  await expect(cause(page).getByRole('status').first()).toHaveText('Accepted');
  await page.goto(`/report?job=${job}`);
  await expect(page.getByRole('article').filter({ hasText: 'Living room 5' }).first()).toContainText(
    'Found with the cover off: open neutral',
  );
  await expect(page.getByRole('heading', { name: 'Circuits, from the panel outward' })).toBeVisible();
});

test('volts, what if, and protection of the demo’s circuits, none with a serious violation', async ({
  page,
  request,
}) => {
  const job = await demoHouse(request);
  await page.goto(`/circuits?job=${job}`);
  await list(page)
    .getByRole('button', { name: /^11 Bath, hall, entry/ })
    .click();
  await expect(cause(page)).toContainText('between Entry 2 and Hall 1');
  await expectNoViolation(page, 'circuits, graph');
  await page.setViewportSize({ width: 1280, height: 800 });
  await view(page, 'Volts').click();
  const chart = page.getByRole('figure', { name: 'Volts along the circuit' });
  await expect(chart).toContainText(
    /on the way to Hall 1: about 0\.\d+ Ω, which would turn \d+ W into heat at 12 A/,
  );
  await expect(chart.getByRole('row', { name: /^Hall 2/ })).toContainText('V');

  await list(page)
    .getByRole('button', { name: /^8 Living room/ })
    .click();
  await view(page, 'What if').click();
  const sum = page.getByText(/readings would (not )?show so/);
  await expect(sum).toHaveText('All 9 readings would show so.');
  await page.getByRole('checkbox', { name: 'open neutral in the cable to Living room 5' }).uncheck();
  await expect(sum).toHaveText(/^[2-9] of 9 readings would not show so\.$/);
  await page.getByRole('checkbox', { name: 'open neutral in the cable to Living room 5' }).check();
  await page.getByRole('checkbox', { name: 'Breaker on' }).uncheck();
  await expect(sum).toHaveText(/^[5-9] of 9 readings would not show so\.$/);
  const apart = page.getByRole('region', { name: 'Which test tells two causes apart' });
  await expect(apart.getByRole('status')).toContainText(/(with the other|No test with the kit)/);

  await expectNoViolation(page, 'circuits, what if', seen);
  await page.setViewportSize({ width: 1280, height: 800 });

  await view(page, 'Protection').click();
  await expect(page.getByRole('row', { name: /^Kitchen 2/ })).toContainText('Kitchen 3, Kitchen 4');
  await expect(page.getByText('Missing by the rule of the year:')).toBeVisible();
  await page.getByRole('button', { name: 'Kitchen 2' }).click();
  await expect(page.getByRole('region', { name: 'Kitchen' })).toContainText('6 of 7 covered');
  await expectNoViolation(page, 'circuits, protection', seen);
  await page.setViewportSize({ width: 1280, height: 800 });
  await view(page, 'Order').click();
  await expectNoViolation(page, 'circuits, order', seen);
});

test('by keyboard alone, and by ear: the list, the graph, a cause and its decision', async ({
  page,
  request,
}) => {
  const job = await demoHouse(request);
  await page.goto(`/circuits?job=${job}`);
  await expect(list(page).getByRole('button', { name: /^12 Family room/ })).toContainText('exchanged');
  for (let step = 0; step < 4; step += 1) await page.keyboard.press('ArrowDown');
  await expect(list(page).locator('[aria-current]')).toContainText('8 Living room');
  const receptacle = graph(page).getByRole('group', { name: /^Sunroom 4, .*hot and ground exchanged/ });
  await receptacle.focus();
  await page.keyboard.press('Enter');
  await expect(cause(page)).toContainText('in the box of Sunroom 4');
  await cause(page).getByRole('button', { name: 'Refuse …' }).press('Enter');
  await expect(dialog(page).getByRole('textbox')).toBeFocused();
  await page.keyboard.type('Seen with the cover off: sound');
  await dialog(page).getByRole('button', { name: 'Refuse' }).press('Enter');
  await expect(cause(page).getByRole('status').first()).toHaveText('Refused: Seen with the cover off: sound');
  await page.keyboard.press('5');
  await expect(page.getByRole('heading', { name: 'Protection' })).toBeVisible();
  await page.keyboard.press('1');
  await expect(graph(page)).toBeVisible();
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 } });

  test('a circuit is tapped and its cause comes in sight; the run is put in order by thumb', async ({
    page,
    request,
  }) => {
    const { job } = await newHouse(request, { Den: 3 });
    await page.goto(`/circuits?job=${job}`);
    await view(page, 'Order').click();
    await page.getByLabel('Breaker whose run is put in order').fill('4');
    const plan = page.getByRole('region', { name: 'Den', exact: true });
    for (const number of [2, 1, 3]) {
      const mark = plan.getByRole('button', { name: new RegExp(`^Den ${number}`) });
      const box = await mark.boundingBox();
      expect(Math.min(box?.width ?? 0, box?.height ?? 0)).toBeGreaterThanOrEqual(44);
      await mark.click();
    }
    await expect(page.getByRole('list', { name: 'Along the run of breaker 4' })).toHaveText(
      /1\s*Den 2.*2\s*Den 1.*3\s*Den 3/s,
    );
    const full = await demoHouse(request);
    await page.goto(`/circuits?job=${full}`);
    await list(page)
      .getByRole('button', { name: /^8 Living room/ })
      .click();
    await expect(cause(page).getByRole('heading', { level: 2 })).toBeInViewport();
    const sideways = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
    expect(sideways).toBeLessThanOrEqual(0);
  });
});

test.describe('receptacle by receptacle', () => {
  test.use({ letsTimePass: true });

  test('neighbours that look alike are put on one breaker, or said to have nothing in common', async ({
    page,
    request,
  }) => {
    const { job } = await newHouse(request, { Den: 4 });
    await page.goto(`/walk?job=${job}`);
    for (let number = 1; number <= 4; number += 1) {
      await expect(inHand(page, `Den ${number}`)).toBeVisible();
      await pause(page);
      await page.keyboard.press(number === 1 ? '1' : String(lampPatterns.indexOf('hg') + 1));
      await expect(page.getByRole('button', { name: new RegExp(`^Den ${number} reads`) })).toBeVisible();
      if (number > 1 && number < 4) await page.keyboard.press('Enter');
    }
    await page.goto(`/circuits?job=${job}`);
    const likely = page.getByRole('list', { name: 'Likely circuits' });
    await expect(likely).toContainText('Den 2, Den 3, Den 4');
    await likely.getByRole('button', { name: 'Nothing in common' }).click();
    await expect(likely).toHaveCount(0);
  });
});

test('three hundred receptacles on forty circuits: a tap on one shows what is behind it', async ({
  page,
  request,
}) => {
  const rooms = Object.fromEntries(Array.from({ length: 30 }, (_, index) => [`Room ${index + 1}`, 10]));
  const { job } = await newHouse(request, rooms);
  const log = await logOnServer(page, job);
  const all = log.flatMap((one) => (one.kind === 'receptacle-described' ? [one.receptacle] : []));
  const said = all.flatMap((receptacle, index): JobStatement[] => [
    {
      kind: 'receptacle-fed',
      receptacle,
      breaker: String(1 + (index % 40)),
      place: 1 + Math.floor(index / 40),
    },
    {
      kind: 'lamps-read',
      receptacle,
      lamps:
        index % 40 === 7 && index > 160
          ? { hn: 'off', hg: 'lit', ng: 'off' }
          : { hn: 'lit', hg: 'lit', ng: 'off' },
    },
  ]);
  for (let from = 0; from < said.length; from += 300) {
    const entries = said.slice(from, from + 300).map(entry);
    expect((await request.post(`/api/jobs/${job}/entries`, { data: { entries } })).status()).toBe(200);
  }
  await page.goto(`/circuits?job=${job}`);
  await expect(list(page).getByRole('listitem')).toHaveCount(40);
  await expect(list(page).getByRole('button', { name: /^8 / })).toContainText('open neutral');
  await list(page).getByRole('button', { name: /^8 / }).click();
  await graph(page)
    .getByRole('group', { name: /^Room 21 8, / })
    .click();
  await expect(cause(page)).toContainText('open neutral');
});
