import { expect, test } from 'vitest';
import { mergedRows } from './lone-merged.ts';
import { writtenRows } from './made-rows.ts';
import { rowsInWriting } from './rows-in-writing.ts';

test('what may hold at a receptacle is written down as the engine makes it now: else `npm run lone-rows`', () => {
  expect(writtenRows(mergedRows()) === rowsInWriting).toBe(true);
});
