import { describe, expect, test } from 'vitest';
import { assess } from '../assessment/index.ts';
import { lampsOf } from '../instruments/index.ts';
import { conditionIds, looks } from '../knowledge/index.ts';
import { asEntries, idNumber } from '../log/arbitrary-entries.ts';
import { foldHouse, foldKit, type JobEntry, type JobStatement, type KitEntry } from '../log/index.ts';
import { filledIn, ownerPageOf, workListOf } from '../report/index.ts';
import { ownerLanguages, ownerTexts, reportOn } from './index.ts';

const rooms = { Den: idNumber(0x20), Bath: idNumber(0x21) };
const at = (n: number): string => idNumber(0x100 + n);

const entries = (statements: readonly JobStatement[]): readonly JobEntry[] => asEntries(statements);

const report = reportOn(
  assess(
    foldHouse(
      entries([
        { kind: 'room-described', room: rooms.Den, name: 'Den' },
        { kind: 'room-described', room: rooms.Bath, name: 'Bath' },
        { kind: 'receptacle-described', receptacle: at(0), room: rooms.Den, name: 'Den 1' },
        { kind: 'receptacle-described', receptacle: at(1), room: rooms.Den, name: 'Den 2' },
        { kind: 'receptacle-described', receptacle: at(2), room: rooms.Bath, name: 'Bath 1' },
        { kind: 'receptacle-described', receptacle: at(3), room: rooms.Bath, name: 'Bath 2' },
        { kind: 'lamps-read', receptacle: at(2), lamps: lampsOf('hn-ng') },
        { kind: 'lamps-read', receptacle: at(0), lamps: lampsOf('hn') },
        { kind: 'look-noted', receptacle: at(0), look: 'scorch', seen: true },
        { kind: 'lamps-read', receptacle: at(1), lamps: lampsOf('hn-hg') },
      ]),
    ),
  ),
);

describe('the electrician’s work list', () => {
  test('one line a box, in the order of the walk, with what was read, the cause, where to open, and the retest', () => {
    const lines = workListOf(report);
    expect(lines.map(({ receptacle }) => receptacle)).toEqual(['Den 1', 'Bath 1']);
    const [den, bath] = lines;
    expect(den?.findings).toHaveLength(2);
    expect(den?.read).toContain('H–N lit');
    expect(den?.read).toContain('Scorched');
    expect(bath?.cause).toBe('Reversed polarity');
    expect(bath?.openFirst).toMatch(/^this box/);
    expect(bath?.retest).toContain('neighbours');
  });
});

describe('the owner’s page', () => {
  test('what is dangerous today, what to repair, what reads correct, what could not be seen', () => {
    const page = ownerPageOf(report, ownerTexts('en', 'north-america'));
    const [now, repair] = page.groups;
    expect(now?.items.map(({ headline }) => headline)).toEqual(['Scorched']);
    expect(repair?.items.map(({ headline }) => headline)).toEqual(['Reversed polarity', 'Open ground']);
    expect(page.fine.words[0]).toBe('1 of the 3 receptacles tested read plainly correct.');
    expect(page.unseen.words.join(' ')).toContain('1 of 4 receptacles were not tested');
    expect(page.unseen.words.join(' ')).toContain('reversed bootleg ground');
    expect(page.closing).toContain('Do not open');
  });

  test.each(ownerLanguages)('%s: that nothing is dangerous is said only where nothing may be', (language) => {
    const texts = ownerTexts(language, 'north-america');
    const noneFor = (...lamps: readonly Parameters<typeof lampsOf>[0][]): string | undefined => {
      const statements: JobStatement[] = [{ kind: 'room-described', room: rooms.Den, name: 'Den' }];
      lamps.forEach((pattern, n) => {
        statements.push({
          kind: 'receptacle-described',
          receptacle: at(n),
          room: rooms.Den,
          name: `Den ${n}`,
        });
        statements.push({ kind: 'lamps-read', receptacle: at(n), lamps: lampsOf(pattern) });
      });
      return ownerPageOf(reportOn(assess(foldHouse(entries(statements)))), texts).groups[0]?.none;
    };
    const nothing = texts.groups['act-now'].none;
    expect(noneFor('hn-hg', 'hn-hg')).toBe(nothing);
    // Dark: no power, which hurts nobody.
    expect(noneFor('hn-hg', 'none')).toBe(nothing);
    for (const pattern of ['hn', 'hg', 'hn-ng'] as const)
      expect(noneFor('hn-hg', pattern), pattern).toBe(texts.dangerousAllTheSame);
  });

  test('in Spanish nothing of a finding stays English', () => {
    const page = ownerPageOf(report, ownerTexts('es', 'north-america'));
    expect(page.groups[0]?.items[0]?.headline).toBe('Quemado');
    expect(page.groups[1]?.items.map(({ headline }) => headline)).toEqual([
      'Polaridad invertida',
      'Sin tierra',
    ]);
    expect(JSON.stringify(page)).not.toMatch(/\b(the|receptacle|electrician)\b/i);
  });

  test.each(ownerLanguages)('%s has words for every condition and every look', (language) => {
    for (const id of conditionIds)
      expect(ownerTexts(language, 'north-america').topic({ kind: 'condition', id })?.headline).toMatch(/\S/);
    if (language !== 'en')
      for (const id of looks)
        expect(ownerTexts(language, 'north-america').topic({ kind: 'look', id })?.why).toMatch(/\S/);
  });
});

describe('the firm’s wording', () => {
  const values = {
    address: '9 Alder Rise',
    client: '',
    date: '4 May 2026',
    inspector: 'T. Quillon',
    firm: 'Firm',
    licence: '12',
  };

  test('what stands in braces is filled in; any other brace stays', () => {
    expect(filledIn('At {address} on {date}; {toString} {nobody}', values)).toBe(
      'At 9 Alder Rise on 4 May 2026; {toString} {nobody}',
    );
  });

  test('settings take the latest word, and a taken-back one gives the usual again', () => {
    const statements = [
      { kind: 'wording-saved', of: 'introduction', text: 'One' },
      { kind: 'wording-saved', of: 'introduction', text: 'Two' },
      { kind: 'wording-saved', of: { correctionOf: 'open-ground' }, text: 'Ours' },
      {
        kind: 'practice-chosen',
        schools: { aluminum: 'cautious' },
        edition: '2023',
        checked: ['nec-200.11'],
      },
      { kind: 'practice-chosen', standard: 'Ours' },
      { kind: 'letterhead-described', licence: '12', lines: 'Somewhere' },
      { kind: 'letterhead-described', lines: null },
    ] as const;
    const { firm } = foldKit(
      statements.map(
        (one, n) =>
          ({
            id: idNumber(0x3000 + n),
            device: idNumber(2),
            author: idNumber(3),
            at: new Date(Date.UTC(2026, 4, 4, 9, n)).toISOString(),
            ...one,
          }) as KitEntry,
      ),
    );
    expect(firm.wordings).toEqual({ introduction: 'Two' });
    expect(firm.practice.corrections).toEqual({ 'open-ground': 'Ours' });
    expect(firm.practice.schools).toMatchObject({ aluminum: 'cautious', adapters: 'never' });
    expect(firm.practice.code).toEqual({ edition: '2023', checked: ['nec-200.11'] });
    expect(firm.standard).toBe('Ours');
    expect(firm.letterhead).toEqual({ lines: null, licence: '12', mark: null });
  });
});
