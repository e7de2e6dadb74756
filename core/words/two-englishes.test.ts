import { describe, expect, test } from 'vitest';
import {
  closeOutItems,
  conditionIds,
  eraLanes,
  protectionLabels,
  questionIds,
  usualPractice,
  viewsOf,
} from '../knowledge/index.ts';
import { enGb, enUs, type Words, wordsIn } from './index.ts';

/** Words of the trade that only North America has; a British text holds none of them. */
const american =
  /\b(receptacles?|ground(ed|ing|s)?|ungrounded|ground-fault|hot|prongs?|slots?|AWG|NEC|UL|GFCI|panel|aluminum|licensed|utility)\b|H–[NG]|N–G|\ba (RCD|earth)\b/;
/** And words that only Britain has. */
const british =
  /\b(socket-outlets?|earth(ed|ing|s)?|RCDs?|consumer unit|aluminium|registered electrician)\b|L–[NE]|N–E/;

/** "Hot" is also how a plate feels, and wiring of two or three wires has a metal that both call so. */
const spareWords = /^\/(looks\/heat|rules\/voltage)\//;

/** Everything in a language that stands there as it is said, with where it stands; what is said of values is tested apart. */
function sentencesIn(value: unknown, path = ''): readonly (readonly [path: string, statements: string])[] {
  if (typeof value === 'string') return value === '' ? [] : [[path, value]];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, one]) => sentencesIn(one, `${path}/${key}`));
}

/** Years and publications of the United States are shown of no British house, and a region is named in both. */
const ofOneRegion = /^\/(eras|eraLanes|references|questions|remedies|regions)\//;
const sentences = (words: Words) => sentencesIn(words).filter(([path]) => !ofOneRegion.test(path));

describe('two English languages', () => {
  test('there are sentences to look at, and as many of one as of the other', () => {
    expect(sentences(enUs).length).toBeGreaterThan(500);
    // Steps for three-wire circuits, and labels, are of North America alone.
    expect(sentences(enUs).length - sentences(enGb).length).toBeLessThan(5);
    expect(Object.keys(enGb.eraLanes)).toEqual([...eraLanes]);
  });

  test('the one holds no word of the other', () => {
    expect(sentences(enUs).filter(([, statements]) => british.test(statements))).toEqual([]);
    const inBritain = sentences(enGb).filter(([path]) => !spareWords.test(path));
    expect(inBritain.filter(([, statements]) => american.test(statements))).toEqual([]);
  });

  test.each([
    ['hot', 'line'],
    ['ground', 'earth'],
  ] as const)('%s: %s', (american, inBritain) => {
    const fault = { kind: 'open', conductor: american, at: 'a' } as const;
    expect(enUs.cause([fault])).toBe(`open ${american}`);
    expect(enGb.cause([fault])).toBe(`open ${inBritain}`);
  });

  test('readings are named as testers of the region have them', () => {
    const shown = { instrument: 'meter', hn: 118.4, hg: 118.2, ng: 0.2 } as const;
    expect(wordsIn('north-america').reading(shown)).toBe('Meter: H–N 118.4 V, H–G 118.2 V, N–G 0.20 V');
    expect(wordsIn('uk').reading({ ...shown, instrument: 'meter' })).toBe(
      'Meter: L–N 118.4 V, L–E 118.2 V, N–E 0.20 V',
    );
  });

  const ofSections = ({ sections: { texts } }: Words): readonly string[] => {
    const at = '2026-05-04T09:00:00Z';
    const as = (same: string): string => same;
    const clock = { day: as, shortDay: as, hour: as };
    const questions = questionIds.map((id) => ({ id, views: viewsOf(id, usualPractice.schools) }));
    const facts = { coversOff: 1, halves: 1, breakers: ['4'], leaveFrom: null, hasLeave: true };
    return [
      texts.method({ own: null, facts, standard: null, edition: null, questions }, clock),
      texts.coverage(
        {
          tested: 1,
          expected: 1,
          sample: 3,
          notReached: [{ name: 'Den 1', reason: 'furniture' }],
          notRead: ['Den 2'],
          notFound: [{ room: 'Den', count: 1 }],
          missing: [{ faulty: 1, chance: 0.5 }],
        },
        clock,
      ),
      texts.causes({ believed: [], cut: [{ device: 'Bath 1', dead: ['Bath 2'], isBack: false }] }, clock),
      texts.notSeen({ conditions: conditionIds, cutShort: ['7'] }, clock),
      texts.functionChecks(
        {
          checks: [
            {
              instrument: 'lamps',
              tester: null,
              state: 'failed',
              proofs: [],
              dropped: [],
              doubted: ['b'],
              readings: 2,
              name: null,
              rating: 'CAT III',
              calibration: null,
            },
          ],
          instrumentDoubts: [],
          labels: [{ name: 'Den 1', labels: protectionLabels }],
          resets: [{ name: 'Den 1', resetAt: 'Bath 1' }],
          warned: [{ name: 'Den 1', danger: 'live-ground', at }],
          keepPowered: ['freezer'],
          closedOut: [...closeOutItems],
          notBack: [{ kind: 'breaker', breaker: '4' }],
        },
        clock,
      ),
    ].map((blocks) => JSON.stringify(blocks));
  };

  test('what is said of values holds no word of the other either', () => {
    const ofValues = (words: Words): string =>
      [
        words.rules.lostServiceNeutral({ high: 260, low: 200 }).what,
        words.rules.missingProtection({ place: 'bathroom', from: 1975 }).headline,
        words.rules.notCovered({ untested: 1, expected: 1 }).headline,
        words.rules.voltage({ low: 216, high: 253 }).what,
        words.rules.neutralRise({ volts: 2 }).what,
        words.rules.oldDevices({ years: 10 }).headline,
        words.rules.miswired({ miswired: 4, tested: 9, places: 4, expected: 0.2 }).what,
        words.rules.smallConductors([{ name: 'Den 1', awg: '14', amps: 20 }]).what,
        words.rules.groundFaultDevice('no-trip').what,
        words.rules.aluminumSeen({ inSprings: ['Den 1'], remedies: ['rewire'], looked: '' }).what,
        words.noDefects.neutralRise({ volts: 2, names: ['Den 1'] }),
        words.noDefects.upgrade({ place: 'bathroom', names: ['Bath 1'], from: 1975 }),
        words.noDefects.threeWire(['Kitchen 1']),
        words.noDefects.twoSlot(['Den 1']),
        words.oddValue({ kind: 'high', usual: [216.2, 253] }),
        words.metalSign({ kind: 'fat', awg: 12, amps: 15 }),
        Object.values(words.sections.headings).join(' '),
        ...ofSections(words),
        words.ownerPage.fine.count(1, 1),
        words.ownerPage.unseen.untested(1, 2),
        words.screens.receptacles(1),
        words.screens.report.tested(1, 1),
        words.screens.findings.howManyCauses(2),
      ].join('\n');
    expect(ofValues(enUs)).not.toMatch(british);
    expect(ofValues(enGb)).not.toMatch(american);
  });

  test('a count takes its number: "1 receptacles" cannot be said', () => {
    expect(enUs.screens.receptacles(1)).toBe('1 receptacle');
    expect(enUs.screens.receptacles(2)).toBe('2 receptacles');
    expect(enGb.screens.receptacles(1)).toBe('1 socket-outlet');
    expect(enUs.rules.notCovered({ untested: 1, expected: 1 }).headline).toBe(
      '1 of 1 receptacle was not tested',
    );
  });
});
