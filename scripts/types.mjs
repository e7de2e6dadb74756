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
  // The command line is checked with the core's tests, browser tests with the scripts: as those, in one go.
  const parts = ['web', 'scripts', 'core/tsconfig.test.json', 'core'];
  // The compiler's memory is let grow before it is tidied.
  const memory = { GOGC: '400' };
  let worst = generated.code;
  const check = async () => {
    for (let part = parts.shift(); part !== undefined; part = parts.shift()) {
      // One checker each: several would work out the same types anew, and two programs have all processors busy.
      const args = ['-p', part, '--incremental', 'false', '--checkers', '1'];
      const { code } = await run(join(root, 'node_modules/.bin/tsc'), args, { cwd: root, env: memory });
      worst = Math.max(worst, code);
    }
  };
  await Promise.all([check(), check()]);
  return worst;
});
