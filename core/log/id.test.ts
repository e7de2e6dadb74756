import fc from 'fast-check';
import { v4, v7 } from 'uuid';
import { expect, test } from 'vitest';
import { idSchema, isId } from './index.ts';

test('an id is what the schema of entries says', () => {
  const nearly = fc.tuple(
    fc.constantFrom(v7(), v4(), v7().toUpperCase(), '00000000-0000-0000-0000-000000000000'),
    fc.nat(37),
    fc.constantFrom('', '-', '0', 'f', 'g', '\n'),
  );
  const texts = fc.oneof(
    fc.string(),
    fc.uuid({ version: [1, 4, 7] }),
    nearly.map(([id, at, put]) => id.slice(0, at) + put + id.slice(at + 1)),
  );
  fc.assert(fc.property(texts, (text) => isId(text) === idSchema().safeParse(text).success));
  expect(isId(v7())).toBe(true);
});
