import { expect } from '@playwright/test';
import { inHand, newHouse, pause, saved, verdict, walkOf } from './house.ts';
import { test } from './own-firm.ts';

test.use({ letsTimePass: true });

test.describe('in the demo', () => {
  test.use({ inDemo: true });

  test('from the list of jobs into the walk of the demo house', async ({ page }) => {
    await page.goto('/');
    await page.getByRole('link', { name: '27 Lantern Hollow, Quillmere' }).click();
    await expect(page.getByRole('navigation', { name: 'Stages' })).toContainText('Walk 48 of 60');
    await expect(inHand(page, 'Den 1')).toBeVisible();
    await expect(page.getByRole('navigation', { name: 'Rooms' })).toContainText('Sunroom');
  });
});

test('a receptacle is added and read by tapping the triangle’s edges', async ({ page, request }) => {
  await walkOf(page, request, { Den: 0 });
  await page.getByRole('button', { name: 'Hot–ground lamp' }).click();
  await page.getByRole('button', { name: 'Neutral–ground lamp' }).click();
  await expect(verdict(page)).toContainText('Reads hot and ground reversed');
  await expect(page.getByText('Not recorded yet').first()).toBeVisible();
  await page.getByRole('button', { name: 'Record: reads hot and ground reversed' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Recorded: Den 1' })).toBeVisible();
  // At once the lamps' own verdict, then the engine's: far more often an open neutral with something switched on.
  await expect(verdict(page)).toContainText('Act now');
  await expect(verdict(page).getByRole('heading', { name: 'Open neutral' })).toBeVisible();
  await expect(verdict(page)).toContainText('hot and ground exchanged');
  await expect(verdict(page).getByRole('button', { name: 'Hold the probe to each contact' })).toBeVisible();
  await pause(page);
  await page.getByRole('button', { name: /^Next( Enter)?$/ }).click();
  await expect(inHand(page, 'Den 2')).toBeVisible();
  await expect(saved(page)).toBeVisible();
});

test('a lamp that glows dimly is no pattern to trust', async ({ page, request }) => {
  const { job } = await newHouse(request, { Den: 1 });
  await page.goto(`/walk?job=${job}`);
  const edge = page.getByRole('button', { name: 'Hot–neutral lamp' });
  await edge.click();
  await edge.click();
  await expect(edge).toHaveAccessibleName('Hot–neutral lamp: dim');
  await expect(verdict(page)).toContainText('A lamp is dim');
  await expect(verdict(page)).toContainText('measure the pairs');
});

test('one action records a plainly correct receptacle and moves on; a double tap records one', async ({
  page,
  request,
}) => {
  const { job } = await newHouse(request, { Den: 3, Hall: 1 });
  await page.goto(`/walk?job=${job}`);
  await expect(inHand(page, 'Den 1')).toBeVisible();
  await page.getByRole('button', { name: 'Correct – next' }).dblclick();
  await expect(inHand(page, 'Den 2')).toBeVisible();
  await expect(page.getByRole('status').filter({ hasText: 'Recorded: Den 1, reads correct' })).toBeVisible();
  await pause(page);
  await expect(page.getByRole('navigation', { name: 'Stages' })).toContainText('1 of 4');
  await page.keyboard.press('1');
  await expect(inHand(page, 'Den 3')).toBeVisible();
  await pause(page);
  await page.keyboard.press('1');
  await expect(inHand(page, 'Hall 1')).toBeVisible();
});

test('“reads correct” says what it leaves open, dark lamps are not called dead', async ({
  page,
  request,
}) => {
  await walkOf(page, request, { Den: 2 });
  await page.keyboard.press('1');
  await expect(inHand(page, 'Den 2')).toBeVisible();
  await page.keyboard.press('ArrowLeft');
  await expect(verdict(page)).toContainText('What this kit cannot see is said once');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('7');
  await expect(verdict(page)).toContainText('not proved dead');
  await expect(verdict(page)).toContainText('Dark lamps do not prove a receptacle dead');
});

test('the whole walk by keyboard alone', async ({ page, request }) => {
  await walkOf(page, request, { Den: 0, Hall: 0 });
  await page.keyboard.press('1');
  await expect(inHand(page, 'Den 2')).toBeVisible();
  await page.keyboard.press('2');
  await expect(verdict(page)).toContainText('Reads hot and neutral reversed');
  await page.keyboard.press('u');
  await expect(
    page.getByRole('status').filter({ hasText: 'Taken back: the reading of Den 2' }),
  ).toBeVisible();
  await expect(inHand(page, 'Den 2')).toBeVisible();
  await page.keyboard.press('j');
  await page.keyboard.press('Enter');
  await expect(verdict(page)).toContainText('Reads open ground');
  await expect(page.getByText('Not recorded yet')).toHaveCount(0);
  await page.keyboard.press('ArrowDown');
  await expect(inHand(page, 'Hall 1')).toBeVisible();
  await page.keyboard.press('8');
  await expect(verdict(page)).toContainText('Stop here');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys of the walk' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('a');
  await expect(inHand(page, 'Hall 2')).toBeVisible();
  await expect(page.getByRole('navigation', { name: 'Stages' })).toContainText('3 of 3');
});

test('what was tapped and not recorded is still there after a reload', async ({ page, request }) => {
  const { job } = await newHouse(request, { Den: 1 });
  await page.goto(`/walk?job=${job}`);
  await page.getByRole('button', { name: 'Hot–ground lamp' }).click();
  await page.reload();
  await expect(page.getByRole('button', { name: 'Hot–ground lamp: lit' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Hot–ground lamp: not read' })).toBeVisible();
});

test('a job from nothing: address, rooms, first reading', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New job' }).click();
  await page.getByRole('button', { name: 'Begin the walk' }).click();
  await expect(page.getByText('Which house is it?')).toBeVisible();
  const address = `${Date.now()} Tansy Court`;
  await page.getByLabel('Address').fill(address);
  await page.getByLabel('Year built').fill('1954');
  await page.getByRole('button', { name: 'Begin the walk' }).click();
  await expect(page.getByRole('heading', { name: 'Add the first room' })).toBeVisible();
  await page.getByRole('button', { name: '+ Room' }).click();
  await page.getByLabel('Name of the room').fill('Attic');
  await page.keyboard.press('Enter');
  await expect(inHand(page, 'Attic 1')).toBeVisible();
  await page.getByRole('button', { name: 'Correct – next' }).click();
  await expect(inHand(page, 'Attic 2')).toBeVisible();
  await expect(saved(page)).toBeVisible();
  await page.goto('/');
  await expect(page.getByRole('listitem').filter({ hasText: address })).toContainText('1 of 1 read');
});

test('an address that leads to no job says so', async ({ page }) => {
  await page.goto('/walk?job=nonsense');
  await expect(page.getByText('There is no such job.')).toBeVisible();
  await page.goto('/walk?job=01900000-0000-7000-8000-000000000000');
  await expect(page.getByText('There is no such job.')).toBeVisible();
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  test('keys and main action are in reach, the page does not scroll sideways', async ({ page, request }) => {
    const { job } = await newHouse(request, { Den: 2, 'Main bedroom': 6 });
    await page.goto(`/walk?job=${job}`);
    await expect(inHand(page, 'Den 1')).toBeVisible();
    const widest = await page.evaluate(() => document.documentElement.scrollWidth);
    expect(widest).toBeLessThanOrEqual(390);
    for (const name of ['Correct – next', 'Undo', 'Reversed', 'Dark']) {
      const button = page.getByRole('button', { name });
      await expect(button).toBeInViewport({ ratio: 1 });
      expect((await button.boundingBox())?.height).toBeGreaterThanOrEqual(48);
    }
    await page.getByRole('button', { name: 'No ground' }).tap();
    await expect(verdict(page)).toContainText('Reads open ground');
    await page.getByRole('button', { name: /^Next( Enter)?$/ }).tap();
    await expect(inHand(page, 'Den 2')).toBeVisible();
    await page.getByRole('button', { name: 'Main bedroom' }).tap();
    await expect(inHand(page, 'Main bedroom 1')).toBeVisible();
    await page.getByRole('button', { name: '+ Room' }).tap();
    await expect(page.getByLabel('Name of the room')).toBeInViewport({ ratio: 1 });
    await page.getByLabel('Name of the room').fill('Loft');
    await page.getByRole('button', { name: 'Add', exact: true }).tap();
    await expect(inHand(page, 'Loft 1')).toBeVisible();
  });

  test('of a danger no word is under the keys', async ({ page, request }) => {
    const { job } = await newHouse(request, { Den: 1 });
    await page.goto(`/walk?job=${job}`);
    await page.getByRole('button', { name: 'All lit' }).tap();
    const danger = page.getByRole('alert', { name: 'Danger' });
    await expect(danger).toContainText('Stop here');
    await expect(saved(page)).toBeVisible();
    const room = async (): Promise<number> => {
      const [words, key] = await Promise.all([
        danger.boundingBox(),
        page.getByRole('button', { name: 'Read again' }).boundingBox(),
      ]);
      return (key?.y ?? 0) - (words?.y ?? 0) - (words?.height ?? 0);
    };
    await expect.poll(room).toBeGreaterThan(0);
  });
});
