import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { run } from './setup/processes.mjs';
import { Refusal, runMain } from './setup/refusal.mjs';
import { root } from './setup/settings.mjs';

/**
 * `npm run mutation`: changes an operator, a constant or a branch in twenty lines of the core, one after another, and
 * sees whether a test turns red. The commit's hash draws the lines, so that nobody chooses them.
 */
const wanted = 20;
const leastFound = 18;
/** Longer than the tests of any file take where all are green, on a slow and busy machine too: what goes on for ever is found, what is slow is not. */
const longestSeconds = 900;

/** Each way to change code: what is found in a line, and what takes its place. */
const changes = [
  [/ === /, ' !== '],
  [/ !== /, ' === '],
  [/ && /, ' || '],
  [/ \|\| /, ' && '],
  [/ < /, ' >= '],
  [/ > /, ' <= '],
  [/ <= /, ' > '],
  [/ >= /, ' < '],
  [/ \+ /, ' - '],
  [/ - /, ' + '],
  [/ \* /, ' / '],
  [/ \/ /, ' * '],
  [/\btrue\b/, 'false'],
  [/\bfalse\b/, 'true'],
  [/\bif \((.+)\) /, 'if (!($1)) '],
  [/(?<![\w.'-])(\d+(?:\.\d+)?)(?![\w'-])/, (number) => String(Number(number) * 2 + 1)],
];

function sourcesIn(folder) {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return entry.name === 'node_modules' ? [] : sourcesIn(path);
    const isCode =
      /\.ts$/.test(entry.name) && !/\.test\.ts$|^arbitrary-|^naive-|^index\.ts$/.test(entry.name);
    return isCode ? [path] : [];
  });
}

/** Words, types and comments compute nothing. */
const isCode = (line) =>
  !/^\s*(\/\/|\/?\*|import |export \*|export type |type |interface |readonly [\w?]+:)/.test(line) &&
  !/^\s*['"`]|: ['"`]|['"`],?$/.test(line);

/** Every change that could be made, as its file, its line and the line changed. */
function everyChange() {
  return sourcesIn(join(root, 'core')).flatMap((path) =>
    readFileSync(path, 'utf8')
      .split('\n')
      .flatMap((line, index) => {
        if (!isCode(line)) return [];
        const changed = changes.flatMap(([found, instead]) => {
          const other = line.replace(found, instead);
          return other === line ? [] : [other];
        });
        return changed.length === 0 ? [] : [{ path, index, line, changed }];
      }),
  );
}

/** Numbers from 0 on, the same for the same seed. */
function* drawn(seed, below) {
  for (let count = 0; ; count += 1) {
    const hash = createHash('sha256').update(`${seed} ${count}`).digest();
    yield hash.readUInt32BE(0) % below;
  }
}

/** The exit code of the tests: nought where none turns red. */
async function testsOn({ path, index, changed }, way) {
  const text = readFileSync(path, 'utf8');
  const lines = text.split('\n');
  lines[index] = changed[way % changed.length];
  writeFileSync(path, lines.join('\n'));
  try {
    const vitest = join(root, 'node_modules/.bin/vitest');
    const args = [
      'related',
      '--run',
      '--bail=1',
      '--project=engine',
      '--project=plain',
      '--reporter=dot',
      path,
    ];
    const bounded = ['--kill-after=5', String(longestSeconds), vitest, ...args];
    return (await run('timeout', bounded, { cwd: root, output: 'capture' })).code;
  } finally {
    writeFileSync(path, text);
  }
}

await runMain(async () => {
  const head = await run('git', ['rev-parse', 'HEAD'], { cwd: root, output: 'capture' });
  const state = await run('git', ['status', '--porcelain', 'core'], { cwd: root, output: 'capture' });
  if (state.output.trim() !== '') throw new Refusal('The core has changes that are not committed.');
  const seed = process.argv[2] ?? head.output.trim();
  const all = everyChange();
  console.log(`${all.length} lines of the core can be changed; ${wanted} are drawn by ${seed}.`);
  const numbers = drawn(seed, 2 ** 32);
  let found = 0;
  for (let count = 0; count < wanted; count += 1) {
    const one = all[numbers.next().value % all.length];
    const way = numbers.next().value;
    const from = performance.now();
    const code = await testsOn(one, way);
    if (code !== 0) found += 1;
    const after = one.changed[way % one.changed.length].trim();
    const seconds = Math.round((performance.now() - from) / 1000);
    // `timeout` says by 124 that it ended what went on.
    const result = code === 0 ? 'MISSED' : code === 124 ? 'no end' : 'found ';
    console.log(`${result} ${seconds} s ${relative(root, one.path)}:${one.index + 1}  ${after}`);
  }
  console.log(`\n${found} of ${wanted} turned a test red.`);
  return found >= leastFound ? 0 : 1;
});
