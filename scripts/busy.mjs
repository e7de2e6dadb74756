import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { run } from './setup/processes.mjs';
import { runMain } from './setup/refusal.mjs';
import { root } from './setup/settings.mjs';

/** Minutes after which the other program ends by itself, whatever becomes of this one. */
const longest = 60;

/** `npm test` while another program keeps one core busy from the first test to the last: what fails then is a race. */
await runMain(async () => {
  const burn = `const end = Date.now() + ${longest * 60_000}; while (Date.now() < end);`;
  const burner = spawn(process.execPath, ['-e', burn], { stdio: 'ignore' });
  try {
    return (await run(process.execPath, [join(root, 'scripts/test.mjs')], { cwd: root })).code;
  } finally {
    burner.kill('SIGKILL');
  }
});
