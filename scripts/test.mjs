import { existsSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { removeData } from './setup/cluster.mjs';
import { run } from './setup/processes.mjs';
import { runMain } from './setup/refusal.mjs';
import { root, testSettings } from './setup/settings.mjs';
import { needDebianPackages, needNode, needPackages } from './setup/toolchain.mjs';

const unitResults = join(root, 'test-results/unit.json');
const e2eResults = join(root, 'test-results/e2e.json');

const program = (name) => join(root, 'node_modules/.bin', name);

const steps = [
  ['lint and format', program('biome'), ['ci', '.']],
  ['types', process.execPath, [join(root, 'scripts/types.mjs')]],
  [
    'unit tests',
    program('vitest'),
    ['run', '--reporter=default', '--reporter=json', `--outputFile.json=${unitResults}`],
  ],
  ['production build and end-to-end tests', program('playwright'), ['test']],
];

/** Tests counted from the reports of both runners; a runner without a report has failed as a whole. */
function count() {
  const sum = { passed: 0, failed: 0, skipped: 0 };
  const add = (passed, failed, skipped) => {
    sum.passed += passed;
    sum.failed += failed;
    sum.skipped += skipped;
  };
  if (existsSync(unitResults)) {
    const unit = JSON.parse(readFileSync(unitResults, 'utf8'));
    add(unit.numPassedTests, unit.numFailedTests, unit.numPendingTests + unit.numTodoTests);
  } else add(0, 1, 0);
  if (existsSync(e2eResults)) {
    const { stats, errors } = JSON.parse(readFileSync(e2eResults, 'utf8'));
    add(stats.expected + stats.flaky, stats.unexpected + errors.length, stats.skipped);
  } else add(0, 1, 0);
  return sum;
}

await runMain(async () => {
  needNode();
  await needPackages();
  await needDebianPackages(['postgresql', 'chromium', 'ngspice']);
  rmSync(join(root, 'test-results'), { recursive: true, force: true });
  await removeData(testSettings().e2e.data);
  const failed = [];
  for (const [name, command, args] of steps) {
    console.log(`\n— ${name}`);
    const { code } = await run(command, args, { cwd: root });
    if (code !== 0) failed.push(name);
  }
  if (failed.length > 0) console.log(`\nFailed: ${failed.join(', ')}`);
  const { passed, failed: failedTests, skipped } = count();
  console.log(`\n${passed} passed, ${failedTests} failed, ${skipped} skipped`);
  return failed.length === 0 ? 0 : 1;
});
