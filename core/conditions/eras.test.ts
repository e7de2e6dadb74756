import { describe, expect, test } from 'vitest';
import { eras, expectationsOf, hintsOf, inWordsOf } from './index.ts';

const idsIn = (year: number): readonly string[] =>
  expectationsOf([{ year, what: null }]).flatMap((one) => [...one.eras, ...one.rules].map(({ id }) => id));

describe('what a year makes likely', () => {
  test.each<[number, readonly string[], readonly string[]]>([
    [1938, ['knob-and-tube', 'two-wire', 'rubber-and-cloth'], ['aluminum', 'grounded']],
    [1955, ['two-wire', 'rubber-and-cloth'], ['knob-and-tube', 'aluminum']],
    // CPSC 516: homes built from 1965 to 1973 (from memory)
    [1966, ['aluminum', 'grounded', 'thin-ground', 'push-in'], ['knob-and-tube', 'ground-fault-1975']],
    [1989, ['grounded', 'ground-fault-1975', 'ground-fault-1987'], ['aluminum', 'ground-fault-1990']],
    // NEC history (from memory): all kitchen counters 1996, laundry sinks 2005
    [2004, ['ground-fault-1996', 'arc-fault-2002'], ['ground-fault-2005']],
  ])('%i', (year, expected, unexpected) => {
    const ids = idsIn(year);
    for (const id of expected) expect(ids).toContain(id);
    for (const id of unexpected) expect(ids).not.toContain(id);
  });

  test('every era has its source and something to look for', () => {
    for (const { id, source, lookFor } of eras) {
      expect(source, id).not.toBe('');
      expect(lookFor.length, id).toBeGreaterThan(10);
    }
  });

  test('a recent year is no alibi, and an alteration is named', () => {
    expect(hintsOf(2018, []).join(' ')).toContain('no alibi');
    expect(hintsOf(1954, [{ year: 2004, what: 'Kitchen' }]).join(' ')).toMatch(/jumpers.*Kitchen \(2004\)/s);
  });
});

describe('the words of a region', () => {
  test.each([
    ['Open ground', 'Open earth'],
    ['Reads hot and neutral reversed', 'Reads line and neutral reversed'],
    ['No ground at three receptacles', 'No earth at three socket-outlets'],
    ['The ground-fault device', 'The RCD'],
    ['a short shot', 'a short shot'],
  ])('%s: %s', (text, british) => {
    expect(inWordsOf('uk', text)).toBe(british);
    expect(inWordsOf('north-america', text)).toBe(text);
  });
});
