import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { Refusal, runMain } from '../setup/refusal.mjs';
import { root } from '../setup/settings.mjs';

/*
 * A file of the sources has at most so many lines, or says near its head why it is longer than other files. Part of
 * `npm run check`.
 */
const most = 300;
const head = 60;
const reason = /Longer than other files|longer than\s+\*?\s*other files/;

function sourcesIn(folder) {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory())
      return entry.name === 'node_modules' || entry.name.startsWith('.') ? [] : sourcesIn(path);
    return /\.(tsx?|mjs|css)$/.test(entry.name) ? [path] : [];
  });
}

await runMain(async () => {
  const long = ['cli', 'core', 'e2e', 'scripts', 'web']
    .flatMap((folder) => sourcesIn(join(root, folder)))
    .flatMap((path) => {
      const lines = readFileSync(path, 'utf8').trimEnd().split('\n');
      const isExplained = reason.test(lines.slice(0, head).join('\n'));
      return lines.length <= most || isExplained ? [] : [`${relative(root, path)}: ${lines.length} lines`];
    });
  if (long.length > 0)
    throw new Refusal(`Longer than ${most} lines, and no reason given:\n${long.join('\n')}`);
  return 0;
});
