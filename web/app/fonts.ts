import mono from '@fontsource-variable/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-wght-normal.woff2';
import text from '@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2';

/** Addresses of the fonts that every page sets its words in. */
export const fontsOfEveryPage: readonly string[] = [text, mono];
