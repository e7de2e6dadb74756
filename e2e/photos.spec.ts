import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { foldHouse } from '@fair-plug/core/log';
import { expect, type Page } from '@playwright/test';
import { Uint8ArrayReader, Uint8ArrayWriter, ZipReader } from '@zip.js/zip.js';
import sharp from 'sharp';
import { noisyPhotos } from './camera.ts';
import { dialog, inHand, newHouse, nextFileChooser, saved, verdict } from './house.ts';
import { foundFirm, test } from './own-firm.ts';

const houseOf = async (page: Page, job: string) => {
  const { entries } = await (await page.request.get(`/api/jobs/${job}/entries`)).json();
  return foldHouse(entries);
};

/** The whole job as a ZIP, and the photos in it. */
async function archiveOf(page: Page, job: string) {
  await page.goto(`/report?job=${job}`);
  await page.getByRole('button', { name: 'Save as …' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: /with its photos/ }).click(),
  ]);
  const file = readFileSync(await download.path());
  const photos = new Map<string, Buffer>();
  for (const entry of await new ZipReader(new Uint8ArrayReader(new Uint8Array(file))).getEntries())
    if (!entry.directory && entry.filename.startsWith('photos/'))
      photos.set(entry.filename, Buffer.from(await entry.getData(new Uint8ArrayWriter())));
  return { file, photos };
}

/** As a camera writes it: held on its side, and with the place where it was taken. */
const fromCamera = async () => ({
  name: 'from the camera.jpg',
  mimeType: 'image/jpeg',
  buffer: await sharp((await noisyPhotos(1, 600, 400))[0]?.buffer)
    .withExif({
      IFD2: { DateTimeOriginal: '2026:05:04 09:30:00' },
      IFD3: { GPSLatitude: '51/1 30/1 0/1' },
    })
    .withMetadata({ orientation: 6 })
    .jpeg()
    .toBuffer(),
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  test('one tap to the camera and back; nothing stays of the file but what is seen; beside its finding, and printed', async ({
    page,
    request,
  }) => {
    const { job } = await newHouse(request, { Den: 2 });
    await page.goto(`/walk?job=${job}`);
    await expect(inHand(page, 'Den 1')).toBeVisible();
    await page.getByRole('button', { name: 'Reversed', exact: true }).tap();
    await expect(verdict(page).getByRole('heading', { level: 3 })).toContainText('reversed');
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Photo of Den 1' }).filter({ hasText: 'Photo' }).tap();
    await (await chooser).setFiles(await fromCamera());
    await expect(page.getByRole('status').filter({ hasText: 'Photo: Den 1' })).toBeVisible();
    // Where the walk stood, and the list of what was done there.
    await expect(inHand(page, 'Den 1')).toBeVisible();
    const done = page.getByRole('region', { name: 'Done here' });
    await expect(done.getByRole('listitem')).toHaveText([/Lamps/, /Photo/]);
    await expect(saved(page)).toBeVisible();
    const [photo] = (await houseOf(page, job)).photos ?? [];
    // Turned as the camera held it; the time is the camera's.
    expect(photo).toMatchObject({ of: 'receptacle', width: 400, height: 600 });
    expect(new Date(photo?.takenAt ?? '').getFullYear()).toBe(2026);
    const address = `/api/jobs/${job}/photos/${photo?.hash}`;
    const kept = await page.request.get(address);
    expect(kept.headers()).toMatchObject({
      'content-type': 'image/jpeg',
      'x-content-type-options': 'nosniff',
      'cache-control': 'private, no-store',
    });
    const bytes = await kept.body();
    expect(createHash('sha256').update(bytes).digest('hex')).toBe(photo?.hash);
    expect(await sharp(bytes).metadata()).not.toMatchObject({ exif: expect.anything() });

    await page.goto(`/findings?job=${job}`);
    const photos = page.getByRole('list', { name: 'Photos' });
    await photos.getByRole('button').tap();
    await dialog(page).getByLabel('Caption').fill('Wide slot is live');
    await dialog(page).getByRole('button', { name: 'Large' }).tap();
    await expect(dialog(page).getByRole('img', { name: 'Wide slot is live' })).toBeVisible();
    await expect(saved(page)).toBeVisible();
    await page.goto(`/report?job=${job}`);
    const printed = page.getByRole('figure').filter({ hasText: 'Wide slot is live' });
    await expect(printed).toContainText('Den 1, 4 May 2026');
    await expect(printed.getByRole('img', { name: 'Wide slot is live' })).toBeVisible();
    expect(
      await printed
        .getByRole('img')
        .evaluate((image: HTMLImageElement) => image.decode().then(() => image.naturalWidth)),
    ).toBe(400);
  });
});

test('what cannot be decoded, or is too large, is refused with advice, and nothing else is lost', async ({
  page,
  request,
}) => {
  const { job } = await newHouse(request, { Den: 1 });
  await page.goto(`/walk?job=${job}`);
  await expect(inHand(page, 'Den 1')).toBeVisible();
  await page.keyboard.press('v');
  const bomb = await sharp({ create: { width: 10_000, height: 6000, channels: 3, background: '#888' } })
    .jpeg({ quality: 10 })
    .toBuffer();
  const [good] = await noisyPhotos(1, 300, 200);
  const truncated = good?.buffer.subarray(0, 400) ?? Buffer.alloc(0);
  await dialog(page)
    .getByLabel('Add photos')
    .setInputFiles([
      { name: 'apple.heic', mimeType: 'image/heic', buffer: Buffer.from('    ftypheic not a picture') },
      { name: 'huge.jpg', mimeType: 'image/jpeg', buffer: bomb },
      { name: 'half.jpg', mimeType: 'image/jpeg', buffer: truncated },
      ...(good === undefined ? [] : [good]),
    ]);
  const said = dialog(page).getByRole('status').first();
  await expect(said).toContainText('Photo kept.');
  await expect(said).toContainText('apple.heic was not taken: this browser cannot read it');
  await expect(said).toContainText('huge.jpg was not taken: it has more than 52 million pixels');
  await expect(said).toContainText('half.jpg was not taken');
  await expect(saved(page)).toBeVisible();
  expect((await houseOf(page, job)).photos).toHaveLength(1);
});

test('by keyboard: marked, blurred, put in order; the whole job as a ZIP comes back to the same bytes', async ({
  page,
  request,
  browser,
  connection,
}) => {
  const { job } = await newHouse(request, { Den: 1 });
  await page.goto(`/walk?job=${job}`);
  await expect(inHand(page, 'Den 1')).toBeVisible();
  await page.keyboard.press('v');
  await dialog(page)
    .getByLabel('Add photos')
    .setInputFiles(await noisyPhotos(2, 500, 400));
  await expect(dialog(page).getByText('2 photos kept.')).toBeVisible();
  await dialog(page)
    .getByRole('button', { name: /^Photo 2:/ })
    .press('Enter');
  await dialog(page)
    .getByRole('button', { name: /Mark or blur/ })
    .press('Enter');
  await dialog(page).getByRole('button', { name: '+ Blur' }).press('Enter');
  const mark = dialog(page).getByRole('button', { name: '1 Blur', exact: true });
  await mark.focus();
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Shift+ArrowRight');
  await dialog(page).getByRole('button', { name: '+ Arrow' }).press('Enter');
  await dialog(page).getByRole('button', { name: '2 Arrow', exact: true }).press('Delete');
  await dialog(page).getByRole('button', { name: 'Done marking' }).press('Enter');
  await page.keyboard.press('Escape');
  await expect(saved(page)).toBeVisible();
  const house = await houseOf(page, job);
  expect(house.photos?.map(({ marks }) => marks.length)).toEqual([0, 1]);
  const [{ shape } = { shape: null }] = house.photos?.[1]?.marks ?? [];
  expect(shape).toMatchObject({ form: 'blur', x: 0.39, width: 0.21 });

  const first = await archiveOf(page, job);
  // Another firm, which has never heard of it.
  const other = await browser.newContext({ storageState: await foundFirm(connection) });
  const theirs = await other.newPage();
  await theirs.goto('/');
  const chosen = nextFileChooser(theirs);
  await theirs.getByRole('button', { name: 'Open a job file' }).click();
  await (await chosen).setFiles({ name: 'job.zip', mimeType: 'application/zip', buffer: first.file });
  await expect(theirs.getByRole('heading', { level: 1, name: 'Prepare' })).toBeVisible();
  await expect(saved(theirs)).toBeVisible();
  const again = await archiveOf(theirs, job);
  expect([...again.photos.keys()]).toEqual([...first.photos.keys()]);
  const [whole, blurred] = house.photos ?? [];
  expect([...first.photos.keys()]).toEqual([
    `photos/${whole?.hash}.jpg`,
    `photos/${blurred?.hash}-blurred.jpg`,
  ]);
  for (const [name, bytes] of first.photos) expect(again.photos.get(name)?.equals(bytes)).toBe(true);
  // What is blurred never left.
  const kept = await (await theirs.request.get(`/api/jobs/${job}/photos/${blurred?.hash}`)).body();
  expect(createHash('sha256').update(kept).digest('hex')).not.toBe(blurred?.hash);
  await other.close();
});
