import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { usualPractice } from '../knowledge/index.ts';
import { idNumber, jumbled, kitLog } from './arbitrary-entries.ts';
import { foldKit, type KitEntry, type KitStatement, usualFirm } from './index.ts';
import { isRatedFor, ratedVolts } from './kit.ts';

const tester = idNumber(0x40);
const layout = [
  { pair: 'hn', colour: 'white' },
  { pair: 'hg', colour: 'green' },
  { pair: 'ng', colour: 'blue' },
] as Extract<KitStatement, { kind: 'tester-described' }>['layout'];

/** Statements a minute apart. */
const log = (...statements: readonly KitStatement[]): KitEntry[] =>
  statements.map(
    (one, minute): KitEntry => ({
      id: idNumber(0x100 + minute),
      device: idNumber(1),
      author: idNumber(2),
      at: new Date(Date.UTC(2026, 4, 4, 9, minute)).toISOString(),
      ...one,
    }),
  );

describe('the kit of a firm', () => {
  test('order and duplicates of the entries do not matter', () => {
    fc.assert(
      fc.property(
        kitLog.chain((entries) => fc.tuple(fc.constant(entries), jumbled(entries))),
        ([entries, arriving]) => {
          expect(foldKit(arriving)).toEqual(foldKit(entries));
        },
      ),
    );
  });

  test('a tester described again keeps its rating where none is said, and comes last', () => {
    const other = idNumber(0x41);
    const { testers } = foldKit(
      log(
        { kind: 'tester-described', tester, name: 'First', layout, rating: 'CAT III' },
        { kind: 'tester-described', tester: other, name: 'Second', layout },
        { kind: 'tester-described', tester, name: 'First, new lamps', layout },
      ),
    );
    expect(testers.map(({ name, rating }) => [name, rating])).toEqual([
      ['Second', null],
      ['First, new lamps', 'CAT III'],
    ]);
  });

  test('the latest proof counts, a tester’s with the tester, an instrument’s by itself', () => {
    const { testers, lastProofs } = foldKit(
      log(
        { kind: 'tester-described', tester, name: 'First', layout },
        { kind: 'tester-proved', instrument: 'lamps', tester, passed: true },
        { kind: 'tester-proved', instrument: 'probe', passed: true },
        { kind: 'tester-proved', instrument: 'lamps', tester, passed: false },
      ),
    );
    expect(testers[0]?.lastProof).toEqual({ at: '2026-05-04T09:03:00.000Z', passed: false });
    expect([...lastProofs]).toEqual([['probe', { at: '2026-05-04T09:02:00.000Z', passed: true }]]);
  });

  test('a template saved without rooms is no longer offered; the others stand by name', () => {
    const rooms = [{ name: 'Den', expected: 3 }];
    const template = (n: number, name: string, of: typeof rooms): KitStatement => ({
      kind: 'room-template-saved',
      template: idNumber(0x50 + n),
      name,
      rooms: of,
    });
    const entries = log(
      template(1, 'Ranch', rooms),
      template(2, 'Loft', rooms),
      template(3, 'Cabin', rooms),
      template(3, 'Cabin', []),
    );
    expect(foldKit(entries).templates.map(({ name }) => name)).toEqual(['Loft', 'Ranch']);
  });

  test('what was withdrawn does not count', () => {
    const described = log({ kind: 'tester-described', tester, name: 'First', layout });
    const [one] = described;
    const gone = log({ kind: 'noted' as never }, { kind: 'withdrawn', entries: [one?.id ?? ''] }).slice(1);
    expect(foldKit([...described, ...gone]).testers).toEqual([]);
  });
});

describe('what a firm settles', () => {
  test('nothing settled is the usual, the very object', () => {
    expect(foldKit([]).firm).toBe(usualFirm);
  });

  test('each field by its latest word: what is not said stays, what is emptied goes', () => {
    const { firm } = foldKit(
      log(
        { kind: 'letterhead-described', lines: '4 Mill Lane', licence: 'HI-1' },
        { kind: 'letterhead-described', licence: null },
        { kind: 'practice-chosen', edition: '2020', standard: 'House standard' },
        { kind: 'practice-chosen', edition: '2023', groundFaultRules: 'off' },
        { kind: 'wording-saved', of: 'closing', text: 'With regards' },
        { kind: 'wording-saved', of: 'method', text: 'We plug in.' },
        { kind: 'wording-saved', of: 'closing', text: null },
        { kind: 'wording-saved', of: { correctionOf: 'open-ground' }, text: 'Run a ground.' },
      ),
    );
    expect(firm.letterhead).toEqual({ lines: '4 Mill Lane', licence: null, mark: null });
    expect(firm.standard).toBe('House standard');
    expect(firm.practice.code.edition).toBe('2023');
    expect(firm.practice.groundFaultRules).toBe('off');
    expect(firm.practice.schools).toEqual(usualPractice.schools);
    expect(firm.wordings).toEqual({ method: 'We plug in.' });
    expect(firm.practice.corrections).toEqual({ 'open-ground': 'Run a ground.' });
  });
});

test.each([
  ['CAT III, 300 V', 300, true],
  ['125 V, 15 A', 125, false],
  ['CAT II 110-125V', 125, false],
  ['no mark on it', null, true],
])('a tester marked “%s” is rated for %s V, and fit for a 230 V house: %s', (rating, volts, isFit) => {
  expect(ratedVolts(rating)).toBe(volts);
  expect(isRatedFor(rating, 230)).toBe(isFit);
});
