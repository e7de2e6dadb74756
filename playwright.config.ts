import { defineConfig } from '@playwright/test';
import { signedIn } from './e2e/global-setup.ts';
import { testSettings } from './scripts/setup/settings.mjs';
import { headlessShell } from './scripts/setup/toolchain.mjs';

const { e2e, dist } = testSettings();
const origin = `http://127.0.0.1:${e2e.port}`;

export default defineConfig({
  testDir: 'e2e',
  globalSetup: './e2e/global-setup.ts',
  // As many as there are cores; every test has a firm of its own.
  workers: 2,
  forbidOnly: true,
  timeout: 180_000,
  expect: { timeout: 20_000 },
  reporter: [[process.env.CI ? 'dot' : 'list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  outputDir: 'test-results/e2e',
  use: {
    baseURL: origin,
    storageState: signedIn,
    // The tests of working offline let it in.
    serviceWorkers: 'block',
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: headlessShell,
      // Chromium's sandbox does not start as root.
      args: [
        ...(process.getuid?.() === 0 ? ['--no-sandbox'] : []),
        '--disable-gpu',
        '--disable-software-rasterizer',
        // Pages live for seconds here: only code that runs very often, as the engine’s does, is worth making faster.
        '--js-flags=--single-threaded,--interrupt-budget=1000000',
      ],
    },
    // A trace of every test would take as long as the tests: what fails is run once more with one.
    trace: process.env.FAIRPLUG_TRACE === 'on' ? 'on' : 'off',
    contextOptions: { reducedMotion: 'reduce' },
  },
  webServer: {
    command: 'node scripts/start.mjs',
    url: `${origin}/api/health`,
    timeout: 180_000,
    reuseExistingServer: false,
    gracefulShutdown: { signal: 'SIGINT', timeout: 20_000 },
    stdout: 'pipe',
    env: {
      FAIRPLUG_PORT: String(e2e.port),
      FAIRPLUG_DATABASE_PORT: String(e2e.databasePort),
      FAIRPLUG_DATA: e2e.data,
      FAIRPLUG_DIST: dist,
    },
  },
});
