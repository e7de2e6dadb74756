import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { create, type Font } from 'fontkit';

let ownFont: Font | null = null;

/** The application's own typeface: a server may have none. */
function font(): Font {
  if (ownFont === null) {
    const file = createRequire(import.meta.url).resolve(
      '@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2',
    );
    const opened = create(readFileSync(file));
    if (!('layout' in opened)) throw new Error('no single font');
    ownFont = opened;
  }
  return ownFont;
}

export interface Lettering {
  /** Where the words begin, and the line that they stand on; pixels. */
  readonly x: number;
  readonly y: number;
  readonly size: number;
  readonly ink: string;
}

/** Width of words, in pixels. */
export function widthOf(words: string, size: number): number {
  return (font().layout(words).advanceWidth * size) / font().unitsPerEm;
}

/** Words as outlines of their letters, for an SVG. */
export function outlinesOf(words: string, { x, y, size, ink }: Lettering): string {
  const run = font().layout(words);
  const scale = size / font().unitsPerEm;
  let at = 0;
  const letters = run.glyphs.map((glyph, index) => {
    const path = `<path transform="translate(${at} 0)" d="${glyph.path.toSVG()}"/>`;
    at += run.positions[index]?.xAdvance ?? 0;
    return path;
  });
  // The typeface stands in its lightest weight: its outlines are drawn over, to be read on a photo.
  return `<g fill="${ink}" stroke="${ink}" stroke-width="30" transform="translate(${x} ${y}) scale(${scale} ${-scale})">${letters.join('')}</g>`;
}
