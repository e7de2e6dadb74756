import { describe, expect, test } from 'vitest';
import type { Reading } from '../../instruments/index.ts';
import { lostServiceNeutral } from './service-neutral.ts';

const meter = (at: string, hn: number, ng = 0.4): Reading => ({
  at,
  instrument: 'meter',
  hn,
  hg: hn,
  ng,
});
/** "a1" is on circuit a. */
const circuitOf = (at: string): string => at.charAt(0);
const found = (...readings: readonly Reading[]) => lostServiceNeutral(readings, circuitOf);

describe('a lost service neutral: high on one leg, low on the other, in the whole house (common practice)', () => {
  test('two high and two low of several circuits that add up to 240 V', () => {
    expect(found(meter('a1', 134), meter('a2', 135), meter('b1', 106), meter('b2', 105))).toEqual({
      kind: 'lost-service-neutral',
      high: ['a1', 'a2'],
      low: ['b1', 'b2'],
      highVolts: 135,
      lowVolts: 106,
    });
  });

  test('one that is high, or one that is low, is not enough', () => {
    expect(found(meter('a1', 134), meter('b1', 106), meter('b2', 105))).toBeNull();
    expect(found(meter('a1', 134), meter('a2', 135), meter('b1', 106))).toBeNull();
  });

  test('all on one circuit is a shared neutral of that circuit', () => {
    expect(found(meter('a1', 134), meter('a2', 135), meter('a3', 106), meter('a4', 105))).toBeNull();
  });

  test('volts that do not add up to both legs are something else', () => {
    expect(found(meter('a1', 134), meter('a2', 134), meter('b1', 90), meter('b2', 90))).toBeNull();
  });

  test('what mains voltage varies by itself is neither high nor low (ANSI C84.1 range A, from memory)', () => {
    expect(found(meter('a1', 125), meter('a2', 125), meter('b1', 115), meter('b2', 115))).toBeNull();
  });

  test('a neutral away from ground, or a receptacle nearly dead, does not count', () => {
    expect(found(meter('a1', 134, 14), meter('a2', 134, 14), meter('b1', 106), meter('b2', 106))).toBeNull();
    expect(found(meter('a1', 204), meter('a2', 204), meter('b1', 35), meter('b2', 35))).toBeNull();
  });

  test('at 230 V it goes by the share of nominal', () => {
    const readings = [meter('a1', 257), meter('a2', 257), meter('b1', 203), meter('b2', 203)];
    expect(lostServiceNeutral(readings, circuitOf, 230)?.high).toEqual(['a1', 'a2']);
    expect(lostServiceNeutral(readings, circuitOf, 120)).toBeNull();
  });
});
