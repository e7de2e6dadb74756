import { describe, expect, test } from 'vitest';
import { metalOf } from './aluminum-signs.ts';

// Signs: common practice; sizes: NEC 240.4(D), years: CPSC 516 – all from memory.
describe('what metal a conductor is', () => {
  test.each([
    ['silver through the cut end', { metal: 'aluminum' }, 'aluminum'],
    ['AL on the jacket, no cut end seen', { jacket: 'aluminum' }, 'aluminum'],
    [
      'silver outside, copper in the cut, in cloth: tinned, whatever the year',
      { metal: 'tinned-copper', insulation: 'cloth-or-rubber', yearBuilt: 1966 },
      'tinned-copper',
    ],
    ['copper outside, silver in the cut end', { metal: 'copper-clad' }, 'copper-clad'],
    ['copper in the cut end in the aluminum years', { metal: 'copper', yearBuilt: 1968 }, 'copper'],
    ['12 AWG on 15 A alone: thick copper is met', { awg: 12, breakerAmps: 15 }, 'possibly-aluminum'],
    [
      '12 AWG on 15 A, 1968, a neighbour has it',
      { awg: 12, breakerAmps: 15, yearBuilt: 1968, neighbours: true },
      'likely-aluminum',
    ],
    [
      'silver, not sure, 10 AWG on 20 A, 1970',
      { metal: 'not-sure', awg: 10, breakerAmps: 20, yearBuilt: 1970 },
      'likely-aluminum',
    ],
    ['14 AWG on 15 A in 1994', { awg: 14, breakerAmps: 15, yearBuilt: 1994 }, 'unknown'],
    ['1976, nothing else', { yearBuilt: 1976 }, 'possibly-aluminum'],
  ] as const)('%s', (_, signs, metal) => {
    const judged = metalOf(signs);
    expect(judged.metal).toBe(metal);
    if (metal !== 'unknown') expect(judged.because.length).toBeGreaterThan(0);
  });
});
