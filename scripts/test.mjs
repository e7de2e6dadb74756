import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { needBuild } from './setup/build.mjs';
import { removeData } from './setup/cluster.mjs';
import { run } from './setup/processes.mjs';
import { Refusal, runMain } from './setup/refusal.mjs';
import { root, testSettings } from './setup/settings.mjs';
import { needDebianPackages, needNode, needPackages } from './setup/toolchain.mjs';
import { count, failedTests } from './test-results.mjs';
import { runUnit } from './unit.mjs';

const program = (name) => join(root, 'node_modules/.bin', name);

const since = (began) => `${((Date.now() - began) / 1000).toFixed(0)} s`;

/** What was run, with whether it went well. */
const stages = [];

/** Does one stage and prints what it said once it has ended: stages that run beside each other do not mix their words. */
async function stage(name, work) {
  const began = Date.now();
  const { code, output } = await work();
  console.log(`\n— ${name}: ${code === 0 ? 'passed' : 'failed'} after ${since(began)}`);
  if (output.trim() !== '') console.log(output.trimEnd());
  stages.push({ name, passed: code === 0 });
}

const ran =
  (command, args, env = {}) =>
  () =>
    run(command, args, { cwd: root, env, output: 'capture' });

const lint = async () => {
  await stage('arrows', ran(process.execPath, [join(root, 'scripts/lint/write-arrows.mjs'), '--check']));
  await stage('words', ran(process.execPath, [join(root, 'scripts/lint/core-words.mjs')]));
  await stage('long files', ran(process.execPath, [join(root, 'scripts/lint/long-files.mjs')]));
  await stage(
    'tests of docs/security.md',
    ran(process.execPath, [join(root, 'scripts/lint/security-tests.mjs')]),
  );
  await stage('lint and format', ran(program('biome'), ['ci', '.']));
};
const types = () => stage('types', ran(process.execPath, [join(root, 'scripts/types.mjs')]));
const unit = () => stage('unit and database tests, screens without a browser', () => runUnit(['dot']));

async function builds() {
  try {
    await needBuild(testSettings().dist, { forTests: true });
    return { code: 0, output: '' };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { code: 1, output: error.message };
  }
}

/** What fails is run once more with a trace to look at, and has failed all the same. */
async function browserTests() {
  const first = await ran(program('playwright'), ['test'])();
  if (first.code === 0) return first;
  const traced = {
    FAIRPLUG_TRACE: 'on',
    PLAYWRIGHT_JSON_OUTPUT_FILE: join(root, 'test-results/traced.json'),
  };
  await ran(program('playwright'), ['test', '--last-failed', '--reporter=json'], traced)();
  return { ...first, output: `${first.output}\nTraces of what failed, run once more: test-results/e2e` };
}

await runMain(async () => {
  const began = Date.now();
  needNode();
  await needPackages();
  await needDebianPackages(['postgresql', 'chromium', 'chromium-headless-shell', 'ngspice']);
  rmSync(join(root, 'test-results'), { recursive: true, force: true });
  await removeData(testSettings().e2e.data);
  // The build and the types write into the same folder; beside them run the tests that need neither.
  const building = async () => {
    await stage('production build', builds);
    await types();
  };
  const checking = async () => {
    await lint();
    await unit();
  };
  await Promise.all([building(), checking()]);
  await stage('browser tests', browserTests);
  const failed = stages.filter(({ passed }) => !passed).map(({ name }) => name);
  if (failed.length > 0) console.log(`\nFailed: ${failed.join(', ')}`);
  for (const test of failedTests()) console.log(`  ${test}`);
  const { passed, failed: failures, skipped } = count();
  console.log(`\n${passed} passed, ${failures} failed, ${skipped} skipped, in ${since(began)}`);
  return failed.length === 0 ? 0 : 1;
});
