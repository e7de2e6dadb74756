import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { assess } from '../assessment/index.ts';
import { type LampPattern, lampsOf } from '../instruments/index.ts';
import { usualPractice } from '../knowledge/index.ts';
import { asEntries, idNumber, jumbled } from '../log/arbitrary-entries.ts';
import { foldHouse, type JobEntry, type JobStatement } from '../log/index.ts';
import { enUs } from '../words/index.ts';
import { decidedFindings, type Finding, heldOf, proposalsFor } from './index.ts';

const room = idNumber(0x20);
const at = (n: number): string => idNumber(0x100 + n);

const described = (count: number): readonly JobStatement[] => [
  { kind: 'room-described', room, name: 'Den' },
  ...Array.from(
    { length: count },
    (_, n): JobStatement => ({
      kind: 'receptacle-described',
      receptacle: at(n),
      room,
      name: `Den ${n + 1}`,
    }),
  ),
];
const reads = (n: number, pattern: LampPattern): JobStatement => ({
  kind: 'lamps-read',
  receptacle: at(n),
  lamps: lampsOf(pattern),
});

const logOf = (statements: readonly JobStatement[]): readonly JobEntry[] => asEntries(statements);

const findingsIn = (entries: Iterable<JobEntry>): readonly Finding[] => {
  const house = foldHouse(entries);
  return decidedFindings(
    house,
    proposalsFor(assess(house), usualPractice, enUs).filter(({ verdict }) => verdict !== null),
    enUs,
  );
};
const findings = (...statements: readonly JobStatement[]): readonly Finding[] =>
  findingsIn(logOf([...described(4), ...statements]));

const only = (list: readonly Finding[]): Finding => {
  const [first] = list;
  if (first === undefined) throw new Error('no finding');
  return first;
};
const accepted = ({ key, proposal }: Finding): JobStatement => {
  if (proposal === null) throw new Error('nothing proposed');
  return { kind: 'finding-decided', finding: key, decision: 'accepted', held: heldOf(proposal) };
};

const reversed = [reads(0, 'hn-ng'), reads(1, 'hn-ng')];

describe('findings and what was decided on them', () => {
  test('what one person accepts and another refuses is open, and stands in the report, until somebody decides again', () => {
    const found = only(findings(...reversed));
    const { proposal, key } = found;
    if (proposal === null) throw new Error('nothing proposed');
    const refused: JobStatement = {
      kind: 'finding-decided',
      finding: key,
      decision: 'refused',
      reason: 'held upside down',
      held: heldOf(proposal),
    };
    const [by, other] = [idNumber(0x71), idNumber(0x72)];
    const decided = (...said: readonly (readonly [string, JobStatement])[]) => {
      const entries = logOf([...described(4), ...reversed, ...said.map(([, one]) => one)]);
      const authors = said.map(([author]) => author);
      const own = entries.length - authors.length;
      return only(findingsIn(entries.map((entry, n) => ({ ...entry, author: authors[n - own] ?? by }))));
    };
    const both = { status: 'open', isAtOdds: true, reason: 'held upside down', number: 1 };
    expect(decided([by, accepted(found)], [other, refused])).toMatchObject(both);
    expect(decided([by, refused], [other, accepted(found)])).toMatchObject(both);
    const after = decided([by, accepted(found)], [other, refused], [by, refused]);
    expect(after.status).toBe('refused');
    expect(after.isAtOdds).toBeUndefined();
    // Who knows of it takes it back first; one's own mind may be changed.
    const open: JobStatement = { kind: 'finding-decided', finding: key, decision: 'open' };
    for (const said of [
      [
        [by, accepted(found)],
        [other, open],
        [other, refused],
      ],
      [
        [by, accepted(found)],
        [by, refused],
      ],
    ] as const)
      expect(decided(...said).status).toBe('refused');
  });

  test('an edit stands beside the engine’s word, which comes back when the edit is taken away', () => {
    const open = only(findings(...reversed));
    const edit: JobStatement = {
      kind: 'finding-edited',
      finding: open.key,
      headline: 'Both den receptacles',
    };
    const edited = only(findings(...reversed, accepted(open), edit));
    expect(edited.headline).toBe('Both den receptacles');
    expect(edited.original.headline).toBe(open.headline);
    expect(edited.proposal?.headline).toBe(open.headline);
    const back = only(
      findings(...reversed, accepted(open), edit, {
        kind: 'finding-edited',
        finding: open.key,
        headline: null,
      }),
    );
    expect(back.headline).toBe(open.headline);
  });

  test('words that changed since it was taken over raise no flag; what it says does', () => {
    const open = only(findings(...reversed));
    if (open.proposal === null) throw new Error('nothing proposed');
    const held = { ...heldOf(open.proposal), headline: 'As it was worded then' };
    const decided = { kind: 'finding-decided', finding: open.key, decision: 'accepted' } as const;
    expect(only(findings(...reversed, { ...decided, held })).flags).toEqual([]);
    const otherwise = { ...held, code: 'reversed-polarity' };
    expect(only(findings(...reversed, { ...decided, held: otherwise })).flags).toMatchObject([
      { kind: 'reads-otherwise' },
    ]);
  });

  test('what was decided by a key that held a sentence is decided by the code in its place', () => {
    const open = only(findings(...reversed));
    if (open.proposal === null) throw new Error('nothing proposed');
    const { code: _, place: _p, ...held } = heldOf(open.proposal);
    const found = findings(...reversed, {
      kind: 'finding-decided',
      finding: 'reads reversed-polarity: Reads hot and neutral reversed',
      decision: 'accepted',
      held,
    });
    expect(found).toMatchObject([{ key: open.key, status: 'accepted', flags: [] }]);
  });

  test('one more receptacle that shows the same raises a flag and does not change an accepted finding', () => {
    const open = only(findings(...reversed));
    const after = only(findings(...reversed, accepted(open), reads(2, 'hn-ng')));
    expect(after.receptacles.map(({ name }) => name)).toEqual(['Den 1', 'Den 2']);
    expect(after.flags).toEqual([{ kind: 'also-at', words: 'Since then also at Den 3.' }]);
  });

  test('a later reading that contradicts an accepted finding raises a flag; its words stay', () => {
    const open = only(findings(...reversed));
    const [after, other] = findings(...reversed, accepted(open), reads(0, 'hn-hg'), reads(1, 'hn-hg'));
    expect(after?.headline).toBe(open.headline);
    expect(after?.number).toBe(1);
    expect(after?.flags.map(({ kind }) => kind)).toEqual(['gone']);
    expect(other).toBeUndefined();
  });

  test('a finding is refused only with its reason, and is not numbered', () => {
    const open = only(findings(...reversed));
    if (open.proposal === null) throw new Error('nothing proposed');
    const refused = only(
      findings(...reversed, {
        kind: 'finding-decided',
        finding: open.key,
        decision: 'refused',
        reason: 'The tester was plugged into an adapter',
        held: heldOf(open.proposal),
      }),
    );
    expect([refused.status, refused.number, refused.reason]).toEqual([
      'refused',
      0,
      'The tester was plugged into an adapter',
    ]);
  });

  test('split, each part keeps its own receptacles and evidence', () => {
    const open = only(findings(...reversed));
    const parts = findings(...reversed, {
      kind: 'finding-split',
      finding: open.key,
      part: 'own a',
      receptacles: [at(1)],
    });
    expect(parts.map(({ receptacles }) => receptacles.map(({ name }) => name))).toEqual([
      ['Den 1'],
      ['Den 2'],
    ]);
    expect(parts.map(({ number }) => number)).toEqual([1, 2]);
    expect(parts[1]?.proposal?.evidence.every(({ receptacle }) => receptacle === 'Den 2')).toBe(true);
  });

  test('split after it was accepted raises no flag', () => {
    const open = only(findings(...reversed));
    const parts = findings(...reversed, accepted(open), {
      kind: 'finding-split',
      finding: open.key,
      part: 'own a',
      receptacles: [at(1)],
    });
    expect(parts.flatMap(({ flags }) => flags)).toEqual([]);
  });

  test('merged, one number stands for both, as pressing as the more pressing', () => {
    const all = findings(...reversed, reads(2, 'all'));
    const [pressing, usual] = all;
    if (pressing === undefined || usual === undefined) throw new Error('expected two');
    const merged = findings(...reversed, reads(2, 'all'), {
      kind: 'finding-merged',
      finding: pressing.key,
      into: usual.key,
    });
    const host = merged.find(({ key }) => key === usual.key);
    expect(host?.urgency).toBe('act-now');
    expect(host?.receptacles).toHaveLength(3);
    expect(merged.filter(({ number }) => number > 0)).toHaveLength(1);
  });

  test('merged in a circle, nothing is lost', () => {
    const [a, b] = findings(...reversed, reads(2, 'all'));
    if (a === undefined || b === undefined) throw new Error('expected two');
    const merged = findings(
      ...reversed,
      reads(2, 'all'),
      { kind: 'finding-merged', finding: a.key, into: b.key },
      { kind: 'finding-merged', finding: b.key, into: a.key },
    );
    expect(merged.some(({ number }) => number > 0)).toBe(true);
  });

  test('an order asked for stands; what comes later goes where its urgency puts it', () => {
    const before = findings(...reversed, reads(2, 'hn'));
    const order = before.map(({ key }) => key).toReversed();
    const after = findings(
      ...reversed,
      reads(2, 'hn'),
      { kind: 'findings-ordered', findings: order },
      reads(3, 'all'),
    );
    expect(after.map(({ key }) => key).slice(1)).toEqual(order);
    expect(after[0]?.urgency).toBe('act-now');
  });

  test('one that nothing proposed stands by itself', () => {
    const own = only(
      findings({
        kind: 'finding-added',
        finding: 'own b',
        urgency: 'repair',
        headline: 'Extension cord through the wall',
        what: 'A cord runs through the wall.',
        why: 'It is no fixed wiring.',
        correction: 'A licensed electrician adds a receptacle.',
        by: 'electrician',
        receptacles: [],
      }),
    );
    expect([own.number, own.isOwn, own.flags]).toEqual([1, true, []]);
  });

  test('in whatever order entries arrive, and however often, the findings are the same', () => {
    const open = only(findings(...reversed));
    const log = logOf([
      ...described(4),
      ...reversed,
      accepted(open),
      { kind: 'finding-edited', finding: open.key, why: 'In my own words' },
      reads(2, 'hn'),
      { kind: 'finding-split', finding: open.key, part: 'own a', receptacles: [at(1)] },
      { kind: 'finding-edited', finding: 'own a', urgency: 'note' },
      { kind: 'finding-merged', finding: 'own a', into: open.key },
      { kind: 'finding-merged', finding: 'own a', into: null },
    ]);
    const expected = findingsIn(log);
    fc.assert(
      fc.property(jumbled(log), (again) => {
        expect(findingsIn(again)).toEqual(expected);
      }),
    );
  });
});
