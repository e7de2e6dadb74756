import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Refusal, runMain } from '../setup/refusal.mjs';
import { root } from '../setup/settings.mjs';
import { arrows } from './arrows.mjs';

const file = join(root, 'biome.arrows.json');
const text = `${JSON.stringify(arrows, null, 2)}\n`;

// `--check` writes nothing.
await runMain(async () => {
  if (!process.argv.includes('--check')) writeFileSync(file, text);
  else if (readFileSync(file, 'utf8') !== text)
    throw new Refusal('biome.arrows.json is not what scripts/lint/arrows.mjs says. Run: npm run arrows');
  return 0;
});
