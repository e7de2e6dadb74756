import { describe, expect, test } from 'vitest';
import { secondsToTrip, thresholdAmps } from './protection.ts';

const gfci = { at: 'a', kind: 'gfci', covers: 'downstream', state: 'set' } as const;
const rcd = { ...gfci, kind: 'rcd' } as const;

describe('time to trip', () => {
  // Source: UL 943, T = (20/I)^1.43 (from memory).
  test.each([
    [6, 5.59],
    [20, 1],
    [264, 0.025],
  ])('a ground-fault device at %f mA: at most %f s', (milliamps, seconds) => {
    expect(secondsToTrip(gfci, milliamps / 1000)).toBeCloseTo(seconds, 2);
  });

  // Source: IEC 61008, general type: 0.3 s at the rated residual current, 0.04 s at five times it (from memory).
  test.each([
    [30, 0.3],
    [150, 0.04],
    [900, 0.04],
    [30 * Math.sqrt(5), Math.sqrt(0.3 * 0.04)],
  ])('a residual-current device at %f mA: at most %f s', (milliamps, seconds) => {
    expect(secondsToTrip(rcd, milliamps / 1000)).toBeCloseTo(seconds, 4);
  });

  test('thresholds: 5 mA for people, 30 mA residual current, or as the device says', () => {
    expect([thresholdAmps(gfci), thresholdAmps(rcd), thresholdAmps({ ...rcd, tripMilliamps: 100 })]).toEqual([
      0.005, 0.03, 0.1,
    ]);
  });
});
