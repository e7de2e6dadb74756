import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { describe, expect, test } from 'vitest';

const web = resolve(import.meta.dirname, '..');
const library = resolve(web, '../node_modules/@mantine/core');
const sheet = (name: string): string => `${library}/styles/${name}.css`;

const imported = [
  ...readFileSync(`${web}/app/mantine.css`, 'utf8').matchAll(/@mantine\/core\/styles\/([\w-]+)\.css/g),
].map(([, name = '']) => name);

const filesIn = (folder: string, ending: string): readonly string[] =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith(ending))
    .map((file) => join(folder, file));

/** Names that a file takes from the component library. */
const takenBy = (source: string): readonly string[] =>
  [...source.matchAll(/import \{([^}]*)\} from '@mantine\/core'/g)].flatMap(([, names = '']) =>
    names.split(',').map((name) => name.replace(/^\s*type /, '').trim()),
  );

/** Components whose style sheets the file of a component needs, its own and those of whatever it is made of. */
function sheetsBehind(file: string, seen = new Set<string>()): readonly string[] {
  if (seen.has(file) || !existsSync(file)) return [];
  seen.add(file);
  const own = /([\w-]+)\.module\.mjs$/.exec(file);
  const parts = [...readFileSync(file, 'utf8').matchAll(/from "(\.[^"]+)"/g)].flatMap(([, part = '']) =>
    sheetsBehind(resolve(dirname(file), part), seen),
  );
  return own?.[1] === undefined ? parts : [own[1], ...parts];
}

describe('the style sheets of the component library', () => {
  const sources = ['app', 'components', 'features', 'local'].flatMap((part) =>
    filesIn(join(web, part), '.tsx'),
  );
  const components = new Set(sources.flatMap((file) => takenBy(readFileSync(file, 'utf8'))));
  const files = filesIn(`${library}/esm/components`, '.mjs');
  const needed = [...components].flatMap((name) => {
    const file = files.find((one) => one.endsWith(`/${name}.mjs`));
    return file === undefined ? [] : sheetsBehind(file);
  });

  test('are there for every component that is used, and for what it is made of', () => {
    expect(components.size).toBeGreaterThan(15);
    const withSheet = [...new Set(needed)].filter((name) => existsSync(sheet(name)));
    expect(withSheet).toContain('Input');
    expect(withSheet.filter((name) => !imported.includes(name))).toEqual([]);
  });

  test('stand in the order of the library’s own sheet, in which later ones outdo earlier ones', () => {
    const bare = (text: string): string => text.replace(/\s+/g, '');
    const all = bare(readFileSync(`${library}/styles.css`, 'utf8'));
    const places = imported.map((name) => all.indexOf(bare(readFileSync(sheet(name), 'utf8'))));
    expect(places).toEqual(places.toSorted((a, b) => a - b));
    expect(places[0]).toBe(0);
  });
});
