import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { jsonSchemas } from './json-schemas.ts';

test.each(Object.entries(jsonSchemas()))(
  'docs/formats/%s is what the schemas say (npm run formats)',
  (file, schema) => {
    const published = readFileSync(new URL(`../../docs/formats/${file}`, import.meta.url), 'utf8');
    expect(JSON.parse(published)).toEqual(JSON.parse(JSON.stringify(schema)));
  },
);
