import { expect, test } from 'vitest';
import { lampsOf } from '../instruments/index.ts';
import type { JobStatement } from '../log/index.ts';
import { assess, wrongBefore } from './index.ts';
import { houseOf, type Place, receptacleId } from './testing-houses.ts';

const lamps = (pattern: Parameters<typeof lampsOf>[0]) =>
  ({ instrument: 'lamps', ...lampsOf(pattern) }) as const;

/** What the one receptacle of a house read as before, and how many readings of it there are. */
function before(taken: Place['taken'], more: readonly JobStatement[] = []) {
  const assessment = assess(houseOf([{ shows: null, ...(taken === undefined ? {} : { taken }) }], {}, more));
  const one = assessment.receptacles.get(receptacleId(0));
  if (one === undefined) throw new Error('no receptacle');
  return wrongBefore(one, assessment);
}

test('the latest of what it read wrong counts, where it reads correct now', () => {
  expect(before([lamps('hn'), lamps('hn-ng'), lamps('hn-hg')])?.condition).toBe('reversed-polarity');
  expect(before([lamps('hn-ng'), lamps('hn'), lamps('hn-hg'), lamps('hn-hg')])?.condition).toBe(
    'open-ground',
  );
});

test('nothing where it never read wrong, or still does', () => {
  expect(before([])).toBeNull();
  expect(before([lamps('hn-hg')])).toBeNull();
  expect(before([lamps('hn-hg'), lamps('hn')])).toBeNull();
});

test('nor where the tester that showed it is in doubt', () => {
  const dropped = { kind: 'tester-dropped', instrument: 'lamps' } as const;
  expect(before([lamps('hn'), lamps('hn-hg')])?.condition).toBe('open-ground');
  expect(before([lamps('hn'), lamps('hn-hg')], [dropped])).toBeNull();
});
