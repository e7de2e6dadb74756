import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import { chromium as driver, type Page } from 'playwright-core';
import { demoHouses } from '../demo/houses.ts';
import { idFor } from '../demo/ids.ts';
import { startOwnServer } from '../own-server.ts';
import { root } from '../setup/settings.mjs';
import { chromium } from '../setup/toolchain.mjs';
import type { KeptStore } from './corpus.ts';

// What this build leaves in a browser of which the server has a part, and a part is here alone; run once.

/** Everything that the page's origin keeps; IndexedDB by its own interface, whatever library wrote it. */
const kept = (page: Page): Promise<KeptStore> =>
  page.evaluate(async () => {
    const answered = <T>(request: IDBRequest<T>): Promise<T> =>
      new Promise((done, failed) => {
        request.onsuccess = () => done(request.result);
        request.onerror = () => failed(request.error);
      });
    const databases = [];
    for (const { name = '' } of await indexedDB.databases()) {
      const database = await answered(indexedDB.open(name));
      const stores = [];
      for (const storeName of database.objectStoreNames) {
        const store = database.transaction(storeName).objectStore(storeName);
        const indexes = [...store.indexNames].map((index) => {
          const { keyPath, multiEntry, unique } = store.index(index);
          return { name: index, keyPath: keyPath as string, multiEntry, unique };
        });
        const keyPath = store.keyPath as string | string[] | null;
        const { autoIncrement } = store;
        stores.push({
          name: storeName,
          keyPath,
          autoIncrement,
          indexes,
          rows: await answered(store.getAll()),
        });
      }
      databases.push({ name, version: database.version, stores });
      database.close();
    }
    return { databases, local: { ...localStorage } };
  });

const server = await startOwnServer(3320, 5320);
const browser = await driver.launch({ executablePath: chromium, args: ['--no-sandbox'] });
try {
  const context = await browser.newContext({
    baseURL: server.origin,
    viewport: { width: 1280, height: 800 },
  });
  await context.request.post('/api/demo');
  // What the translation to JavaScript puts around named functions.
  await context.addInitScript('globalThis.__name = (one) => one');
  const page = await context.newPage();
  const [, house] = demoHouses;
  const job = idFor(house?.address ?? '', Date.parse(house?.begun ?? ''));
  await page.goto(`/walk?job=${job}`);
  await page.getByText('saved on the server').waitFor();
  const press = async (key: string) => {
    await page.keyboard.press(key);
    await page.waitForTimeout(900);
  };
  await press('1');
  await page.getByText('saved on the server').waitFor();
  await context.setOffline(true);
  for (const key of ['1', '2', '1', 'U', '3']) await press(key);
  await page.getByText(/to send/).waitFor();
  const value = await kept(page);
  const text = JSON.stringify(value);
  writeFileSync(join(root, 'scripts/corpus/store.json.br'), brotliCompressSync(text));
  for (const { name, version, stores } of value.databases)
    console.log(name, version, stores.map((one) => `${one.name}: ${one.rows.length}`).join(', '));
} finally {
  await browser.close();
  await server.stop();
}
