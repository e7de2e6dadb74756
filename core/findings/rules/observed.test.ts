import { describe, expect, test } from 'vitest';
import { assess } from '../../assessment/index.ts';
import { lampsOf } from '../../instruments/index.ts';
import { asEntries, idNumber } from '../../log/arbitrary-entries.ts';
import { foldHouse, type JobStatement } from '../../log/index.ts';
import { reportOn } from '../../words/index.ts';

const [den1, den2] = [0x30, 0x31].map(idNumber) as [string, string];

/** Without what is said of the walk as a whole. */
const reportOf = (...statements: readonly JobStatement[]) => {
  const room = idNumber(0x20);
  const all: JobStatement[] = [
    { kind: 'room-described', room, name: 'Den' },
    { kind: 'receptacle-described', receptacle: den1, room, name: 'Den 1' },
    { kind: 'receptacle-described', receptacle: den2, room, name: 'Den 2' },
    ...statements,
  ];
  const report = reportOn(assess(foldHouse(asEntries(all))));
  return { ...report, findings: report.findings.filter(({ key }) => !key.startsWith('house-')) };
};
const look = (receptacle: string, seen: 'scorch' | 'hole-up' | 'painted'): JobStatement => ({
  kind: 'look-noted',
  receptacle,
  look: seen,
  seen: true,
});
const reads = (receptacle: string, pattern: 'hn' | 'hn-hg'): JobStatement => ({
  kind: 'lamps-read',
  receptacle,
  lamps: lampsOf(pattern),
});

describe('what was seen, in the report', () => {
  test('one look at several receptacles is one finding; a scorch comes before what only reads wrong', () => {
    const { findings } = reportOf(look(den1, 'scorch'), look(den2, 'scorch'), reads(den1, 'hn'));
    expect(findings.map(({ headline, receptacles }) => [headline, receptacles.length])).toEqual([
      ['Scorched', 2],
      ['Reads open ground', 1],
    ]);
  });

  test('a ground hole that is up is no finding, and is said to be none (common practice)', () => {
    const { findings, noDefect } = reportOf(look(den1, 'hole-up'));
    expect(findings).toEqual([]);
    expect(noDefect.map(({ words }) => words).join()).toContain('either way up is right');
  });

  test('a device that no longer trips is to be acted on now, an old one noted', () => {
    const { findings } = reportOf(
      reads(den1, 'hn-hg'),
      { kind: 'ground-fault-tested', receptacle: den1, by: 'own-button', result: 'power-stays-on' },
      { kind: 'protection-noted', receptacle: den1, madeIn: 2009 },
    );
    expect(findings.map(({ urgency }) => urgency)).toEqual(['act-now', 'note']);
  });

  // Ungrounded receptacles behind a device carry both labels (NEC 406.4(D)(2), from memory)
  test.each([
    [[], true],
    [['protected'], true],
    [['protected', 'no-equipment-ground'], false],
  ] as const)(
    'an ungrounded receptacle behind a device, labelled %j: a finding is %s',
    (labels, isFinding) => {
      const { findings } = reportOf(
        reads(den2, 'hn'),
        { kind: 'went-dead', by: { kind: 'device', receptacle: den1 }, dead: [den1, den2], powerBack: true },
        { kind: 'protection-noted', receptacle: den2, labels: [...labels] },
      );
      expect(findings.some(({ headline }) => headline === 'Labels missing')).toBe(isFinding);
    },
  );

  test('where nobody looked for labels, none are said to be missing', () => {
    expect(reportOf(reads(den1, 'hn')).findings.some(({ headline }) => headline === 'Labels missing')).toBe(
      false,
    );
  });

  test('a reading of a tester that failed afterwards is marked', () => {
    const { rooms } = reportOf(reads(den1, 'hn-hg'), {
      kind: 'tester-proved',
      instrument: 'lamps',
      passed: false,
    });
    expect(rooms[0]?.lines.map(({ isDoubted }) => isDoubted)).toEqual([true, false]);
  });
});
