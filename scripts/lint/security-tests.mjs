import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from '../setup/settings.mjs';

/** Every test that docs/security.md names is there, by file and title. */
const page = readFileSync(join(root, 'docs/security.md'), 'utf8');
const named = [...page.matchAll(/^\| \d[\d.]* \|.*\| `([^`]+)` › (.+?) \|$/gm)];
const fewest = 25;

const missing = named.flatMap(([, file, title]) => {
  let source = '';
  try {
    source = readFileSync(join(root, file), 'utf8');
  } catch {
    return [`${file} is not there`];
  }
  return source.includes(`'${title}'`) ? [] : [`${file} has no test “${title}”`];
});
if (named.length < fewest) missing.push(`${named.length} points with a test, of ${fewest} at the least`);
if (missing.length > 0) {
  console.error(`docs/security.md names what is not there:\n${missing.join('\n')}`);
  process.exitCode = 1;
}
