import { writeFileSync } from 'node:fs';
import { jsonSchemas } from '@fair-plug/core/circuit';
import { diagnosisJsonSchemas } from '@fair-plug/core/engine';
import { jobJsonSchemas } from '@fair-plug/core/exchange';

/** Writes the JSON Schemas of the file formats to docs/formats. */
for (const [file, schema] of Object.entries({
  ...jsonSchemas(),
  ...diagnosisJsonSchemas(),
  ...jobJsonSchemas(),
}))
  writeFileSync(new URL(`../docs/formats/${file}`, import.meta.url), `${JSON.stringify(schema, null, 2)}\n`);
