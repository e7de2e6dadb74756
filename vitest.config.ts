import { resolve } from 'node:path';
import { defineConfig } from 'vitest/config';

const exclude = ['**/node_modules/**', '**/.next*/**'];
const resolved = { alias: { '@/': `${resolve(import.meta.dirname, 'web')}/` } };
const testing = resolve(import.meta.dirname, 'web/testing');
/** The engine by itself: half of what has no need of a browser's store, of a page or of a database. */
const engine = ['core/engine/**/*.test.ts'];
const plain = [
  '{core,cli,scripts/setup,scripts/corpus}/**/*.test.ts',
  'web/{app,components,features}/**/*.test.ts',
];

/** Nothing there keeps anything between two files, so that what they share is loaded once. */
const ofPlainCode = { isolate: false, testTimeout: 300_000 };

export default defineConfig({
  test: {
    // `npm run unit` goes through all files in two processes of one worker each: see scripts/unit.mjs.
    maxWorkers: 2,
    pool: 'threads',
    experimental: { fsModuleCache: true, fsModuleCachePath: 'node_modules/.test-modules' },
    projects: [
      { resolve: resolved, test: { name: 'engine', include: engine, exclude, ...ofPlainCode } },
      {
        resolve: resolved,
        test: { name: 'plain', include: plain, exclude: [...exclude, ...engine], ...ofPlainCode },
      },
      {
        resolve: {
          alias: {
            comlink: `${testing}/comlink.ts`,
            'next/navigation': `${testing}/navigation.ts`,
            '@/local/pauses': `${testing}/pauses.ts`,
            './missing-chart': `${testing}/missing-chart.tsx`,
            ...resolved.alias,
          },
        },
        oxc: { jsx: { development: false } },
        test: {
          name: 'screens',
          include: ['web/**/*.test.tsx'],
          exclude,
          environment: './web/testing/page-environment.ts',
          isolate: false,
          // The store before anything that looks for it: browsers have it.
          setupFiles: ['fake-indexeddb/auto', './web/testing/set-up.ts'],
          testTimeout: 300_000,
        },
      },
      {
        resolve: resolved,
        test: {
          name: 'store',
          include: ['web/local/**/*.test.ts'],
          exclude,
          setupFiles: ['fake-indexeddb/auto', './web/testing/own-storage.ts'],
          isolate: false,
          testTimeout: 300_000,
        },
      },
      {
        resolve: resolved,
        test: {
          name: 'database',
          include: ['web/data/**/*.test.ts', 'scripts/{backup,demo}/**/*.test.ts'],
          exclude,
          globalSetup: ['scripts/setup/vitest-database.mjs'],
          isolate: false,
          testTimeout: 300_000,
          hookTimeout: 120_000,
        },
      },
    ],
  },
});
