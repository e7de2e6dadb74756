import { existsSync, readFileSync, writeFileSync } from 'node:fs';

/** A section of a page of figures: its heading ("## …") and its text. */
export interface Section {
  readonly heading: string;
  readonly text: string;
}

/**
 * Writes a page of docs/ with some of its sections measured anew; the others stay as they are, and so does what stands
 * before them where no introduction is given.
 */
export function writeSections(name: string, introduction: string | null, sections: readonly Section[]): void {
  const file = new URL(`../docs/${name}`, import.meta.url);
  const before = existsSync(file) ? readFileSync(file, 'utf8') : '';
  const kept = new Map(
    before
      .split(/\n(?=## )/)
      .filter((text) => text.startsWith('## '))
      .map((text) => [text.split('\n', 1)[0] ?? '', text.slice(text.indexOf('\n')).trim()]),
  );
  for (const { heading, text } of sections) kept.set(heading, text.trim());
  const body = [...kept].map(([heading, text]) => `${heading}\n\n${text}`).join('\n\n');
  const head = introduction ?? before.split(/\n(?=## )/, 1)[0] ?? '';
  writeFileSync(file, `${head.trim()}\n\n${body}\n`);
}
