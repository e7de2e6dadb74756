import type { JobStatement } from '@fair-plug/core/log';
import { expect, type Page } from '@playwright/test';
import { dialog, inHand, pause, status, verdict, walkOf } from './house.ts';
import { test } from './own-firm.ts';

test.use({ letsTimePass: true });

/** Takes a receptacle of the list in hand. */
async function takeUp(page: Page, name: string): Promise<void> {
  await page
    .getByRole('navigation', { name: 'Rooms' })
    .getByRole('button', { name: new RegExp(`^${name} (not read|reads|no power|not reached)`) })
    .click();
  await expect(inHand(page, name)).toBeVisible();
}

test('what is seen and what is not reached, from the walk into the report', async ({ page, request }) => {
  const { job } = await walkOf(page, request, { Den: 5 });

  await test.step('a scorch stops the work, and asks that people were warned', async () => {
    await page.keyboard.press('o');
    await dialog(page).getByRole('button', { name: 'Scorched' }).click();
    await dialog(page).getByRole('button', { name: 'Ground hole up' }).click();
    await expect(dialog(page)).toContainText('this is no defect');
    await page.keyboard.press('Escape');
    await expect(verdict(page)).toContainText('Stop testing here');
    await page.getByRole('button', { name: 'People were warned' }).click();
    await expect(verdict(page)).toContainText(/People were warned at \d\d:\d\d/);
  });

  await test.step('not reached: one key and a reason, and the walk goes on', async () => {
    await takeUp(page, 'Den 2');
    await page.keyboard.press('n');
    await expect(dialog(page)).toBeVisible();
    await page.keyboard.press('1');
    await expect(inHand(page, 'Den 3')).toBeVisible();
    await expect(status(page, 'Not reached: Den 2, behind furniture')).toBeVisible();
  });

  await test.step('volts that cannot be are said to be odd, and kept as typed', async () => {
    await page.keyboard.press('m');
    for (const [label, volts] of [
      ['Hot–neutral', '12.1'],
      ['Hot–ground', '121'],
      ['Neutral–ground', '0.4'],
    ] as const)
      await dialog(page).getByLabel(label).fill(volts);
    await expect(dialog(page).getByRole('alert').first()).toContainText('no wiring does that');
    await dialog(page).getByRole('button', { name: 'Record' }).click();
    await expect(dialog(page)).toHaveCount(0);
    await expect(inHand(page, 'Den 3')).toBeVisible();
    await page.keyboard.press('h');
    await expect(dialog(page)).toContainText('H–N 12.1 V');
    await page.keyboard.press('Escape');
    await expect(dialog(page)).toHaveCount(0);
  });

  await test.step('a plate screw that sounds stops the work, whatever the lamps show', async () => {
    await takeUp(page, 'Den 4');
    await page.keyboard.press('m');
    await dialog(page).getByRole('button', { name: 'Non-contact probe' }).click();
    for (const [contact, says] of [
      ['Hot (narrow slot)', 'sounds'],
      ['Neutral (wide slot)', 'silent'],
      ['Ground', 'silent'],
      ['Plate screw', 'sounds'],
    ] as const)
      await dialog(page).getByRole('radiogroup', { name: contact }).getByText(says).click();
    await dialog(page).getByRole('button', { name: 'Record' }).click();
    await expect(verdict(page)).toContainText('Metal joined to this ground may be live');
  });

  await test.step('the cover comes off only behind the caution and “proved dead”', async () => {
    await takeUp(page, 'Den 5');
    await page.keyboard.press('c');
    await expect(dialog(page).getByRole('button', { name: 'Record' })).toBeDisabled();
    await expect(dialog(page)).toContainText('Silver outside, copper in the cut end');
    await dialog(page)
      .getByLabel(/I am qualified/)
      .check();
    await dialog(page).getByRole('button', { name: 'Aluminum', exact: true }).click();
    await expect(dialog(page)).toContainText('No load test through it');
    await dialog(page).getByLabel('A jumper from neutral to ground').check();
    await dialog(page).getByRole('button', { name: 'Record' }).click();
    await expect(status(page, 'Recorded: Den 5, cover off')).toBeVisible();
  });

  await page.goto(`/report?job=${job}`);
  const report = page.getByRole('article');
  await expect(report).toContainText('Scorched');
  await expect(report).toContainText('Ground hole up at Den 1: either way up is right');
  await expect(report).toContainText('Not reached: Den 2 (behind furniture)');
  await expect(report).toContainText('seen in the box');
});

test('ground-fault devices and breakers, and what is left undone, from the walk into the report', async ({
  page,
  request,
}) => {
  const dead: JobStatement = {
    kind: 'went-dead',
    by: { kind: 'breaker', breaker: '4' },
    dead: [],
    powerBack: false,
  };
  const { job } = await walkOf(page, request, { Bath: 3, Hall: 2 }, [dead]);

  await test.step('the tester’s button only after the lamps read correct; then it counts, stops on “tripped”, asks what went dead and that power is back', async () => {
    await page.keyboard.press('g');
    await expect(dialog(page)).toContainText('Read the lamps first');
    await expect(dialog(page).getByRole('button', { name: 'I press and hold it now' })).toHaveCount(0);
    await page.keyboard.press('Escape');
    await page.keyboard.press('1');
    await expect(inHand(page, 'Bath 2')).toBeVisible();
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('g');
    await page.getByRole('button', { name: 'I press and hold it now' }).click();
    await expect(dialog(page).getByRole('timer')).toContainText(/0\.[1-9]/);
    await page.getByRole('button', { name: 'Tripped: all lamps out' }).click();
    await dialog(page).getByRole('button', { name: 'Hall 1' }).click();
    await page.getByRole('button', { name: 'Power is back' }).click();
    await expect(status(page, 'Bath 1: power is back')).toBeVisible();
  });

  await test.step('without a ground only the device’s own button counts', async () => {
    await takeUp(page, 'Bath 2');
    await page.keyboard.press('4');
    await expect(verdict(page)).toContainText('Reads open ground');
    await expect(status(page, 'Recorded: Bath 2')).toBeVisible();
    await page.keyboard.press('g');
    await expect(dialog(page)).toContainText('Use the device’s own button');
    await dialog(page).getByRole('button', { name: 'Nothing, power stays' }).click();
    await expect(dialog(page)).toContainText('no longer trips');
    await page.keyboard.press('Escape');
    await expect(dialog(page)).toHaveCount(0);
  });

  await test.step('a button held for six seconds without a trip: let go; where it reads correct, that says something', async () => {
    await takeUp(page, 'Bath 3');
    await pause(page);
    await page.keyboard.press('1');
    await expect(inHand(page, 'Hall 1')).toBeVisible();
    await page.keyboard.press('ArrowUp');
    await takeUp(page, 'Bath 3');
    await page.keyboard.press('g');
    await page.getByRole('button', { name: 'I press and hold it now' }).click();
    await expect(dialog(page).getByRole('timer')).toBeVisible();
    await page.clock.fastForward(6500);
    await expect(dialog(page).getByRole('alert')).toContainText('let go');
    await page.getByRole('button', { name: 'Did not trip' }).click();
    await expect(dialog(page)).toContainText('Did not trip at a receptacle that reads correct');
    await page.keyboard.press('Escape');
    await expect(dialog(page)).toHaveCount(0);
  });

  await test.step('a breaker is switched only with leave; what went dead is put on it', async () => {
    await page.keyboard.press('ArrowDown');
    await expect(inHand(page, 'Hall 1')).toBeVisible();
    await page.keyboard.press('b');
    await expect(dialog(page)).toContainText('No leave to switch breakers');
    await page.getByRole('button', { name: 'Leave was given' }).click();
    await page.getByLabel('Breaker, as the directory has it').fill('7');
    for (const name of ['Hall 1', 'Hall 2']) await dialog(page).getByRole('button', { name }).click();
    await page.getByRole('button', { name: 'These 2 went dead' }).click();
    await page.getByRole('button', { name: 'Power is back' }).click();
    await expect(dialog(page)).toHaveCount(0);
    await page.keyboard.press('t');
    await expect(dialog(page).getByLabel('Breaker')).toHaveValue('7');
    await page.keyboard.press('Escape');
    await expect(dialog(page)).toHaveCount(0);
  });

  await test.step('leaving: the list, power that is not back, the testers, and what is undone', async () => {
    await page.keyboard.press('f');
    await expect(dialog(page)).toContainText('Power is not said to be back: breaker 4');
    await expect(dialog(page)).toContainText('Neither read nor given a reason: Hall 1, Hall 2');
    await expect(dialog(page)).toContainText('Still to prove: plug-in lamps');
    await dialog(page).getByLabel('Breakers as they were found').click();
    await expect(dialog(page).getByLabel('Breakers as they were found')).toBeChecked();
    await page.keyboard.press('Escape');
  });

  await page.goto(`/report?job=${job}`);
  const report = page.getByRole('article');
  await expect(report).toContainText('The ground-fault device at Bath 1 cuts the power of Bath 1, Hall 1');
  await expect(report).toContainText('On leaving: breakers as they were found');
});

test('kind and place follow the one before; a tap on the wall adds the next there', async ({
  page,
  request,
}) => {
  await walkOf(page, request, { Den: 0 });
  await page.getByTestId('wall').click({ position: { x: 60, y: 3 } });
  await page.keyboard.press('t');
  await dialog(page).getByRole('button', { name: '20 A' }).click();
  await page.keyboard.press('Escape');
  await page.keyboard.press('1');
  await expect(inHand(page, 'Den 2')).toBeVisible();
  await expect(page.getByRole('button', { name: '20 A T' })).toBeVisible();
  await pause(page);
  await page.getByTestId('wall').click({ position: { x: 120, y: 3 } });
  await page.keyboard.press('1');
  await expect(inHand(page, 'Den 3')).toBeVisible();
  await expect(page.getByRole('group', { name: 'Den from above, 2 receptacles' })).toBeVisible();
});

test('renamed, taken apart, merged, noted – and each taken back from its history', async ({
  page,
  request,
}) => {
  await walkOf(page, request, { Den: 2 });
  await page.keyboard.press('e');
  await dialog(page).getByLabel('Name').fill('Den by the door');
  await dialog(page).getByLabel('Name').press('Enter');
  await page.keyboard.press('Escape');
  await expect(inHand(page, 'Den by the door')).toBeVisible();
  await page.keyboard.press('e');
  await page.getByRole('button', { name: 'Take the halves apart' }).click();
  await expect(inHand(page, 'Den by the door upper')).toBeVisible();
  await expect(page.getByRole('navigation', { name: 'Rooms' })).toContainText('Den by the door lower');
  await page.keyboard.press('w');
  await dialog(page).getByLabel('Note').fill('Behind the shelf');
  await page.getByRole('button', { name: 'Keep the note' }).click();
  await page.keyboard.press('h');
  await expect(dialog(page)).toContainText('Note: Behind the shelf');
  await expect(dialog(page)).toContainText('Tessa Quillon · this device');
  await dialog(page).getByRole('button', { name: 'Take back' }).first().click();
  await expect(dialog(page).locator('[data-withdrawn="true"]')).toContainText('Behind the shelf');
  await page.keyboard.press('Escape');
  await page.keyboard.press('e');
  await dialog(page).getByLabel('It is the same as').selectOption('Den 2');
  await dialog(page).getByRole('button', { name: 'Merge' }).click();
  await expect(status(page, 'Merged')).toBeVisible();
  await expect(page.getByRole('navigation', { name: 'Rooms' })).not.toContainText('upper');
  await page.keyboard.press('u');
  await expect(page.getByRole('navigation', { name: 'Rooms' })).toContainText('Den by the door upper');
});

test('code that cannot be had just now is said to be missing, and the walk goes on', async ({
  page,
  request,
}) => {
  await walkOf(page, request, { Den: 2 });
  await page.context().setOffline(true);
  await page.keyboard.press('t');
  await expect(page.getByText('not on this device yet')).toBeVisible();
  await expect(dialog(page)).toHaveCount(0);
  await page.keyboard.press('1');
  await expect(status(page, 'Recorded: Den 1')).toBeVisible();
});
