import { resolve } from 'node:path';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { alias: { '@/': `${resolve(import.meta.dirname, 'web')}/` } },
  test: {
    include: ['{core,cli,web,scripts}/**/*.test.ts'],
    exclude: ['**/node_modules/**', '**/.next*/**'],
    globalSetup: ['scripts/setup/vitest-database.mjs'],
  },
});
