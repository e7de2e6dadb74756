import { expect, test } from 'vitest';
import { namedDoubts } from './named-doubts';

const judged = {
  notRuledOut: ['reversed-bootleg-ground', 'bootleg-ground', 'high-resistance'],
  doubts: [0.028, 0.05, 0.002],
} as const;

test('behind a correct reading nothing dangerous is left out beside what is less so', () => {
  expect(namedDoubts(judged, true)).toEqual(['reversed-bootleg-ground', 'bootleg-ground']);
});

test('what is unlikely throughout is said once for the house', () => {
  expect(namedDoubts({ ...judged, doubts: [0.028, 0.02, 0.002] }, true)).toEqual([]);
});

test('where something is wrong all is named', () => {
  expect(namedDoubts(judged, false)).toEqual(judged.notRuledOut);
});
