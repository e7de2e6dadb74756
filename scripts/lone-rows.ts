import { writeFileSync } from 'node:fs';
import { mergedRows } from '@fair-plug/core/engine/answer/lone-merged.ts';
import { writtenRows } from '@fair-plug/core/engine/answer/made-rows.ts';

/** Writes down all that may hold at a receptacle by itself, by the engine as it is now. */
const text = writtenRows(mergedRows()).replaceAll('\\', '\\\\').replaceAll("'", "\\'");
writeFileSync(
  new URL('../core/engine/answer/rows-in-writing.ts', import.meta.url),
  `/** Written by \`npm run lone-rows\`; not by hand. */\nexport const rowsInWriting =\n  '${text}';\n`,
);
