import { resolve } from 'node:path';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { alias: { '@/': `${resolve(import.meta.dirname, 'web')}/` } },
  test: {
    include: ['{core,cli,web,scripts}/**/*.test.{ts,tsx}'],
    exclude: ['**/node_modules/**', '**/.next*/**'],
    // No test is about time: a slow machine is not a failure.
    testTimeout: 300_000,
    hookTimeout: 120_000,
    // Before anything that looks for it: browsers have it.
    setupFiles: ['fake-indexeddb/auto'],
    globalSetup: ['scripts/setup/vitest-database.mjs'],
  },
});
