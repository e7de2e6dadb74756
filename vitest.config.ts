import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['{core,cli,web,scripts}/**/*.test.ts'],
    exclude: ['**/node_modules/**', '**/.next*/**'],
    globalSetup: ['scripts/setup/vitest-database.mjs'],
  },
});
