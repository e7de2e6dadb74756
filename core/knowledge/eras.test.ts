import { describe, expect, test } from 'vitest';
import { enUs } from '../words/index.ts';
import { expectationsOf, hintsOf } from './index.ts';

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

  // NEC, first years of the rules in new work, from memory; those for arc faults in the years in which they came in force.
  test.each<[string, number]>([
    ['ground-fault outdoors and at pools', 1973],
    ['ground-fault bathrooms', 1975],
    ['ground-fault garages', 1978],
    ['ground-fault kitchen counter near the sink', 1987],
    ['ground-fault crawl spaces, unfinished basements', 1990],
    ['ground-fault wet-bar sinks', 1993],
    ['ground-fault all kitchen counters', 1996],
    ['ground-fault laundry and utility sinks', 2005],
    ['ground-fault other sinks', 2011],
    ['ground-fault laundry areas, dishwashers', 2014],
    ['ground-fault all basements, 250 V receptacles', 2020],
    ['ground-fault all kitchen receptacles', 2023],
    ['arc-fault bedrooms', 2002],
    ['arc-fault living areas; receptacles tamper-resistant', 2008],
    ['arc-fault kitchens, laundry', 2014],
  ])('%s: from %i on', (rule, year) => {
    const inForce = (of: number): readonly string[] =>
      expectationsOf([{ year: of, what: null }]).flatMap(({ rules }) =>
        rules.map(({ lane, id }) => `${lane} ${enUs.eras[id].name}`),
      );
    expect(inForce(year - 1)).not.toContain(rule);
    expect(inForce(year)).toContain(rule);
  });

  test('a recent year is no alibi, and an alteration is named', () => {
    const statements = (...of: Parameters<typeof hintsOf>): string =>
      hintsOf(...of)
        .map(enUs.eraHint)
        .join(' ');
    expect(statements(2018, [])).toContain('no alibi');
    expect(statements(1954, [{ year: 2004, what: 'Kitchen' }])).toMatch(/jumpers.*Kitchen \(2004\)/s);
  });
});
