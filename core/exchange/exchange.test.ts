import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { zipSync } from 'fflate';
import Papa from 'papaparse';
import { describe, expect, test } from 'vitest';
import { assess } from '../assessment/index.ts';
import { lampsOf } from '../instruments/index.ts';
import { asEntries, idNumber, jobLog, jumbled } from '../log/arbitrary-entries.ts';
import { canonicalJson, foldHouse, type JobStatement } from '../log/index.ts';
import { enUs, reportOn, wrongInWords } from '../words/index.ts';
import {
  csvOf,
  csvRows,
  guessedMapping,
  harmless,
  jobJsonSchemas,
  parseJobFile,
  parseJobText,
  readReceptacleList,
  rowsOf,
  statementsFor,
  tablesOf,
  workbookOf,
  writeJobFile,
} from './index.ts';

const job = idNumber(1);

/** An archive of one sheet of so many bytes, all alike; its headers say what it is said to have. */
function packed(bytes: number, said = bytes): Blob {
  const archive = zipSync({ 'xl/worksheets/sheet1.xml': new Uint8Array(bytes) }, { level: 1 });
  const view = new DataView(archive.buffer);
  for (let at = 0; at + 28 < archive.length; at += 1) {
    // Local header and entry of the directory, where each says how much it unpacks to (APPNOTE 4.3.7, 4.3.12).
    if (view.getUint32(at, true) === 0x04034b50) view.setUint32(at + 22, said, true);
    else if (view.getUint32(at, true) === 0x02014b50) view.setUint32(at + 24, said, true);
  }
  return new Blob([archive]);
}

test('docs/formats/job.schema.json is what the schema says (npm run formats)', () => {
  const published = readFileSync(new URL('../../docs/formats/job.schema.json', import.meta.url), 'utf8');
  expect(JSON.parse(published)).toEqual(JSON.parse(JSON.stringify(jobJsonSchemas()['job.schema.json'])));
});

describe('a job file', () => {
  test('exported and imported, every entry is the same to its last byte, in whatever order they came', () => {
    fc.assert(
      fc.property(
        jobLog.filter((log) => log.length > 0).chain((log) => fc.tuple(fc.constant(log), jumbled(log))),
        ([log, again]) => {
          const text = writeJobFile({
            job,
            entries: again,
            authors: { [idNumber(1)]: 'Odile Marrin' },
            links: [],
          });
          const parsed = parseJobText(text);
          if (parsed.kind !== 'parsed') throw new Error(JSON.stringify(parsed.problems));
          expect(writeJobFile(parsed.value)).toBe(text);
          const bytes = new Map(parsed.value.entries.map((entry) => [entry.id, canonicalJson(entry)]));
          expect(parsed.value.authors).toEqual({ [idNumber(1)]: 'Odile Marrin' });
          expect(bytes.size).toBe(log.length);
          for (const entry of log) expect(bytes.get(entry.id)).toBe(canonicalJson(entry));
        },
      ),
    );
  });

  test('equal values give equal bytes, whatever the order of their keys', () => {
    fc.assert(
      fc.property(fc.dictionary(fc.string(), fc.jsonValue()), (value) => {
        const turned = Object.fromEntries(Object.entries(value).toReversed());
        expect(canonicalJson(turned)).toBe(canonicalJson(value));
        expect(JSON.parse(canonicalJson(value))).toEqual(JSON.parse(JSON.stringify(value)));
      }),
    );
  });

  test.each([
    ['no JSON', '{', 'expected JSON'],
    ['another format', '{"format":"fair-plug/circuit@1"}', '"fair-plug/job@2"'],
    ['deep nesting', `${'['.repeat(100_000)}${']'.repeat(100_000)}`, 'nesting'],
    [
      'a wrong type in an entry',
      JSON.stringify({ format: 'fair-plug/job@1', job, entries: [{ kind: 'noted', text: 7 }] }),
      '',
    ],
    ['no entries', JSON.stringify({ format: 'fair-plug/job@1', job, entries: [] }), ''],
  ])('%s is refused with what is wrong', (_, text, words) => {
    const parsed = parseJobText(text);
    expect(parsed.kind).toBe('problems');
    if (parsed.kind === 'problems') expect(wrongInWords(parsed.problems[0].wrong)).toContain(words);
  });

  test('more entries than any house takes are refused', () => {
    const entries = Array.from({ length: 20_001 }, () => null);
    expect(parseJobFile({ format: 'fair-plug/job@1', job, entries }).kind).toBe('problems');
  });
});

const den = idNumber(0x20);
function houseWith(...names: readonly string[]) {
  const statements: JobStatement[] = [
    { kind: 'job-described', address: '=HYPERLINK("http://x")' },
    { kind: 'room-described', room: den, name: 'Den' },
    ...names.flatMap((name, n): JobStatement[] => [
      { kind: 'receptacle-described', receptacle: idNumber(0x100 + n), room: den, name },
      { kind: 'lamps-read', receptacle: idNumber(0x100 + n), lamps: lampsOf(n === 0 ? 'hn-ng' : 'hn-hg') },
    ]),
  ];
  return foldHouse(asEntries(statements));
}

describe('tables for a spreadsheet', () => {
  test('a text that begins like a formula is made harmless (CWE-1236)', () => {
    for (const text of ['=1+1', '+1', '-1', '@SUM(A1)', '\t=1', ' =cmd'])
      expect(harmless(text)).toBe(`'${text}`);
    expect(harmless('Den 1')).toBe('Den 1');
    expect(harmless(-4)).toBe(-4);
  });

  test('CSV after RFC 4180: CRLF, quotes doubled, read back as it was', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.string({ minLength: 1 }), { minLength: 2, maxLength: 2 }), { minLength: 1 }),
        (rows) => {
          const text = csvOf({ name: 'T', columns: ['a', 'b'], rows });
          expect(text.endsWith('\r\n')).toBe(true);
          const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').replace(/\r\n$/, ''), {
            newline: '\r\n',
          });
          expect(data.slice(1)).toEqual(rows.map((row) => row.map(harmless)));
        },
      ),
    );
  });

  test('receptacles, findings and the work list are there, and agree on numbers', () => {
    const tables = tablesOf(reportOn(assess(houseWith('Den 1', 'Den 2'))));
    expect(tables.receptacles.rows).toHaveLength(2);
    const numbers = tables.receptacles.columns.indexOf('Findings');
    expect(tables.receptacles.rows.map((row) => row[numbers])).toContain('1');
    expect(tables['work-list'].rows[0]?.slice(0, 3)).toEqual(['Den', 'Den 1', '1']);
    for (const { columns, rows } of Object.values(tables))
      for (const row of rows) expect(row).toHaveLength(columns.length);
  });

  test('a workbook holds them as texts; read again, its first sheet is the first table', async () => {
    const tables = tablesOf(reportOn(assess(houseWith('Den 1', '=2+2'))));
    const rows = await rowsOf(await workbookOf(Object.values(tables)));
    if (rows.kind !== 'rows') throw new Error(rows.problem.kind);
    expect(rows.heading).toEqual(tables.receptacles.columns);
    expect(rows.rows[1]?.[1]).toBe('=2+2');
  });
});

describe('a list of receptacles', () => {
  const heading = ['Location', 'Outlet', 'Circuit', 'Pos', 'Remarks', 'Kind'];
  const mapping = { ...guessedMapping(heading), place: 3 };

  test('columns are guessed by their headings', () => {
    expect(guessedMapping(heading)).toEqual({
      room: 0,
      receptacle: 1,
      type: 5,
      breaker: 2,
      place: null,
      note: 4,
    });
  });

  test('every row is taken whole or named with what is wrong', () => {
    const { receptacles, errors } = readReceptacleList(
      [
        ['Den', 'Den 1', '7', '1', '', 'Two-slot'],
        ['', 'Den 2', '7', '2', '', ''],
        ['Den', 'Den 3', '7', 'first', '', ''],
        ['Den', 'Den 1', '', '', '', ''],
        ['Den', 'Den 4', '', '', '', 'hexagonal'],
        ['Den', 'Den 5', '9', '', "'=loose", ''],
      ],
      mapping,
    );
    expect(receptacles).toEqual([
      { room: 'Den', name: 'Den 1', type: 'two-slot', breaker: '7', place: 1, note: null },
      { room: 'Den', name: 'Den 5', type: null, breaker: '9', place: null, note: '=loose' },
    ]);
    expect(errors.map(({ row, field }) => [row, field])).toEqual([
      [3, 'room'],
      [4, 'place'],
      [5, 'receptacle'],
      [6, 'type'],
    ]);
  });

  test('what the house has by the same names stays one; read twice, a list adds nothing', () => {
    const { receptacles } = readReceptacleList(
      [
        ['Den', 'Den 1', '7', '1', 'old', ''],
        ['Attic', 'Attic 1', '', '', '', ''],
      ],
      mapping,
    );
    const house = houseWith('Den 1');
    let last = 0x500;
    const nextId = (): string => {
      last += 1;
      return idNumber(last);
    };
    const statements = statementsFor(receptacles, house, nextId);
    expect(statements.map(({ kind }) => kind)).toEqual([
      'receptacle-fed',
      'noted',
      'room-described',
      'receptacle-described',
    ]);
    const after = foldHouse(
      asEntries(
        [
          ...statements,
          { kind: 'room-described', room: den, name: 'Den' } as const,
          { kind: 'receptacle-described', receptacle: idNumber(0x100), room: den, name: 'Den 1' } as const,
        ],
        0x2000,
      ),
    );
    expect(statementsFor(receptacles, after, () => idNumber(0x999))).toEqual([]);
  });

  test('a table that was exported here is understood again', () => {
    const { receptacles } = tablesOf(reportOn(assess(houseWith('Den 1', 'Den 2'))));
    const [columns = [], ...rows] = csvRows(csvOf(receptacles));
    const read = readReceptacleList(rows, guessedMapping(columns));
    expect(read.errors).toEqual([]);
    expect(read.receptacles.map(({ name }) => name)).toEqual(['Den 1', 'Den 2']);
  });

  test.each([
    ['100,000 rows', new Blob([`Room,Receptacle\n${'Den,Den 1\n'.repeat(100_000)}`]), '100000 rows'],
    ['a heading alone', new Blob(['Room,Receptacle\n']), 'no row'],
    ['bytes that are no text', new Blob([new Uint8Array([0xff, 0xfe, 0xc0, 0x80])]), 'no text'],
    ['a broken workbook', new Blob(['PK', new Uint8Array(200)]), 'no workbook'],
    ['a workbook that unpacks to 60 MB', packed(60_000_000), 'larger than 50 MB'],
    ['and one that says it does not', packed(60_000_000, 1000), 'larger than 50 MB'],
    ['six megabytes', new Blob([new Uint8Array(6_000_000)]), 'at most 5'],
  ])('%s: refused with a reason', async (_, file, words) => {
    const rows = await rowsOf(file);
    expect(rows.kind).toBe('refused');
    if (rows.kind === 'refused') expect(enUs.listProblem(rows.problem)).toContain(words);
  });
});
