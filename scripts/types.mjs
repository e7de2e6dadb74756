import { join } from 'node:path';
import { nextProgram } from './setup/build.mjs';
import { run } from './setup/processes.mjs';
import { runMain } from './setup/refusal.mjs';
import { root, testSettings, webFolder } from './setup/settings.mjs';

/** Checks the types of every part; next writes the types of its routes first. */
await runMain(async () => {
  const env = { FAIRPLUG_DIST: testSettings().dist, NEXT_TELEMETRY_DISABLED: '1' };
  const generated = await run(process.execPath, [nextProgram, 'typegen'], {
    cwd: webFolder,
    env,
    output: 'capture',
  });
  if (generated.code !== 0) console.error(generated.output);
  const parts = ['core', 'core/tsconfig.test.json', 'cli', 'web', 'scripts', 'e2e'];
  let worst = generated.code;
  const check = async () => {
    for (let part = parts.shift(); part !== undefined; part = parts.shift()) {
      const args = ['-p', part, '--incremental', 'false'];
      const { code } = await run(join(root, 'node_modules/.bin/tsc'), args, { cwd: root });
      worst = Math.max(worst, code);
    }
  };
  await Promise.all([check(), check()]);
  return worst;
});
