import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { transformSync } from 'esbuild';
import { root } from '../setup/settings.mjs';

/*
 * Words come last: outside `core/words/` no string of the core holds words, which is to say a letter and a space. What
 * is known is told by codes and figures; a language says it. Part of `npm run check`.
 */

/** Files whose strings are no words of the product, each with the reason. */
const exempt = {
  'core/assessment/circuits.ts': 'names of cables stand in the codes of places that decisions keep',
  'core/circuit/netlist.ts': 'the format of another program',
  'core/engine/answer/localization.ts': 'names of sites as answers have had them since the first format',
  'core/findings/old-keys.ts': 'frozen: what was said when keys held sentences',
  'core/log/fold-subjects.ts':
    'names in the place of those that have not arrived; logs have been folded with them since the first',
  'core/log/house-fold.ts': 'the same',
};

/** The twin of the simulator, the drawers of values and small houses belong to tests. */
const isOfTests = (name) => /\.test\.ts$|^(arbitrary|naive|testing)-/.test(name);

function sourcesIn(folder) {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return ['node_modules', 'words'].includes(entry.name) ? [] : sourcesIn(path);
    return entry.name.endsWith('.ts') && !isOfTests(entry.name) ? [path] : [];
  });
}

/** A template without what is put into it, braces within braces too. */
function withoutValues(template) {
  let depth = 0;
  let kept = '';
  for (let at = 0; at < template.length; at += 1) {
    if (depth === 0 && template.startsWith('${', at)) depth = 1;
    else if (depth === 0) kept += template[at];
    else if (template[at] === '{' && template[at - 1] !== '$') depth += 1;
    else if (template[at] === '}') depth -= 1;
  }
  return kept;
}

/** Strings of a source: without comments and types, every plain one in double quotes. What is thrown is for its author. */
function stringsIn(source) {
  const { code } = transformSync(source, { loader: 'ts', legalComments: 'none', target: 'esnext' });
  const kept = code.replace(/throw new \w*Error\([^;]*\);/g, '');
  return [...kept.matchAll(/"((?:[^"\\\n]|\\.)*)"|`((?:[^`\\]|\\.)*)`/g)].map(
    ([, plain, template]) => plain ?? withoutValues(template ?? ''),
  );
}

/** Every string of the core that holds words where none belong, with its file. */
export function wordsOutside() {
  return sourcesIn(join(root, 'core')).flatMap((path) => {
    const name = relative(root, path);
    if (Object.hasOwn(exempt, name)) return [];
    return stringsIn(readFileSync(path, 'utf8'))
      .filter((text) => /\p{L}/u.test(text) && text.includes(' '))
      .map((text) => `${name}: ${text}`);
  });
}

const found = wordsOutside();
for (const one of found) console.error(`${one}\n  Words belong in core/words.`);
process.exitCode = found.length === 0 ? 0 : 1;
