import { join } from 'node:path';
import { run } from './setup/processes.mjs';
import { root } from './setup/settings.mjs';

/**
 * All tests without a browser, in two processes of one worker each, beside each other: a worker that goes from file to
 * file keeps what it has loaded, and more workers would load it all again. With arguments, what they name, as Vitest has
 * it.
 */
export const halves = [
  { name: 'screens', projects: ['screens', 'plain'] },
  { name: 'engine', projects: ['engine', 'store', 'database'] },
];

export const unitResults = ({ name }) => join(root, `test-results/unit-${name}.json`);

const vitest = join(root, 'node_modules/.bin/vitest');

/** Runs both halves; answers whether all went well, and what they said. */
export async function runUnit(reporters = ['default']) {
  const ended = await Promise.all(
    halves.map((half) =>
      run(
        vitest,
        [
          'run',
          '--maxWorkers=1',
          ...half.projects.flatMap((project) => ['--project', project]),
          ...[...reporters, 'json'].map((reporter) => `--reporter=${reporter}`),
          `--outputFile.json=${unitResults(half)}`,
        ],
        { cwd: root, env: {}, output: 'capture' },
      ),
    ),
  );
  return {
    code: ended.some(({ code }) => code !== 0) ? 1 : 0,
    output: ended.map(({ output }) => output.trimEnd()).join('\n\n'),
  };
}

if (process.argv[1] === import.meta.filename) {
  const named = process.argv.slice(2);
  if (named.length > 0) {
    const { code } = await run(vitest, ['run', ...named], { cwd: root, env: {}, output: 'show' });
    process.exitCode = code;
  } else {
    const { code, output } = await runUnit();
    console.log(output);
    process.exitCode = code;
  }
}
