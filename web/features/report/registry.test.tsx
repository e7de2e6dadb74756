import { assess } from '@fair-plug/core/assessment';
import { tablesOf } from '@fair-plug/core/exchange';
import { lampsOf } from '@fair-plug/core/instruments';
import {
  foldHouse,
  foldKit,
  type JobEntry,
  jobEntrySchema,
  type KitEntry,
  kitEntrySchema,
} from '@fair-plug/core/log';
import { ownerPageOf, workListOf } from '@fair-plug/core/report';
import { enUs, reportOn } from '@fair-plug/core/words';
import { MantineProvider } from '@mantine/core';
import { renderToStaticMarkup } from 'react-dom/server';
import { expect, test } from 'vitest';
import type { z } from 'zod';
import { ReportSheet } from './report-sheet';

// Longer than other files: the table of what is entered and where it shows is read as one.

/** What is recorded is used: every field, and every value of every choice, changes what is said of some house. */

const id = (n: number): string => `01900000-0000-7000-8000-${n.toString(16).padStart(12, '0')}`;
const room = id(0x20);
const places = [0x30, 0x31, 0x32, 0x33].map(id) as [string, string, string, string];
const [wrong, correct, unread, device] = places;
const tester = id(0x40);

let count = 0x100;
const stamped = <E,>(statement: object): E => {
  count += 1;
  return {
    id: id(count),
    device: id(1),
    author: id(2),
    at: new Date(Date.UTC(2026, 4, 4, 9, 0, count)).toISOString(),
    ...statement,
  } as E;
};
const lamps = (receptacle: string, pattern: 'hn' | 'hn-hg') => ({
  kind: 'reading-taken',
  receptacle,
  tester,
  shown: { instrument: 'lamps', ...lampsOf(pattern) },
});
const described = (receptacle: string, name: string, more: object = {}) => ({
  kind: 'receptacle-described',
  receptacle,
  room,
  name,
  ...more,
});

const photo = (own: string, about: string) => ({
  kind: 'photo-taken',
  photo: own,
  of: 'receptacle',
  about,
  hash: own.replaceAll('-', '').repeat(2),
  width: 800,
  height: 600,
});

/** A room with one that reads wrong, one that reads correct, one unread, and a device that tripped. */
const base = [
  { kind: 'job-described', address: '9 Alder Rise', yearBuilt: 1985, groundedWiring: true },
  { kind: 'room-described', room, name: 'Bath' },
  { kind: 'room-described', room: id(0x21), name: 'Den' },
  described(wrong, 'Bath 1'),
  described(correct, 'Bath 2'),
  described(unread, 'Bath 3'),
  described(device, 'Bath 4', { type: 'ground-fault' }),
  { ...described(id(0x34), 'Den 1'), room: id(0x21) },
  photo(id(0xb0), wrong),
  photo(id(0xb1), wrong),
  {
    kind: 'photo-marked',
    photo: id(0xb0),
    drawn: id(0xc1),
    shape: { form: 'ring', x: 0, y: 0, radius: 0.1 },
  },
  ...[wrong, correct, device].map((receptacle, index) => ({
    kind: 'receptacle-fed',
    receptacle,
    breaker: '7',
    place: index + 1,
  })),
  lamps(wrong, 'hn'),
  lamps(correct, 'hn-hg'),
  lamps(device, 'hn-hg'),
  {
    kind: 'reading-taken',
    receptacle: correct,
    shown: { instrument: 'meter', hn: 120, hg: 120, ng: 0.1 },
  },
].map((one) => stamped<JobEntry>(one));
const baseKit = [
  {
    kind: 'tester-described',
    tester,
    name: 'Long one',
    layout: ['hg', 'ng', 'hn'].map((pair) => ({ pair, colour: 'white' })),
  },
].map((one) => stamped<KitEntry>(one));

/** All that is said of a house: as data, in its tables, and – drawn only where that is asked for – on the report. */
function saidOf(jobEntries: readonly JobEntry[], kitEntries: readonly KitEntry[]) {
  const kit = foldKit(kitEntries);
  const assessment = assess(foldHouse(jobEntries));
  const report = reportOn(assessment, kit.firm.practice);
  const { house: _, practice: _p, ...rest } = report;
  const verdicts = [...assessment.receptacles.values()].map(({ verdict, danger, next }) => ({
    verdict,
    danger,
    next,
  }));
  const sheet = () =>
    renderToStaticMarkup(
      <MantineProvider>
        <ReportSheet
          report={report}
          firmName="Harbour Inspections"
          inspectors="Tessa Quillon"
          firm={kit.firm}
          testers={kit.testers}
          language="en"
          unsettled={null}
        />
      </MantineProvider>,
    );
  const page = ownerPageOf(report, enUs.ownerPage);
  return {
    data: JSON.stringify([rest, verdicts, page, workListOf(report), tablesOf(report)]),
    sheet,
  };
}

/** Fields that change nothing that is said, each with the reason. */
const exempt: Readonly<Record<string, string>> = {
  'circuit-described.breaker': 'names what the other fields stand on',
  'set-apart.receptacles': 'takes a proposal of the engine away; held by the test of likely groups',
  'set-apart.apart': 'takes a proposal of the engine away; held by the test of likely groups',
  'room-described.door': 'drawn on the plan of the room, which the sheet draws only with places on its walls',
  'room-template-saved.template': 'rooms to begin a house with',
  'room-template-saved.rooms': 'rooms to begin a house with',
  'room-template-saved.name': 'rooms to begin a house with',
  'tester-described.layout': 'how the tester’s lamps are tapped',
  'ground-fault-tested.tester':
    'which tester’s button was pressed; its function check stands by its readings',
  'withdrawn.entries': 'what it takes back is held by the tests of the fold',
  'finding-merged.into': 'held by the tests of decided findings',
  'finding-split.part': 'the name of the part',
  'finding-decided.decision = ["open"]': 'takes a decision back; held by the tests of decided findings',
  'finding-decided.finding': 'what is decided on it is tried by itself',
  'finding-edited.finding': 'what is edited in it is tried by itself',
  'finding-merged.finding': 'held by the tests of decided findings',
  'author-named.person': 'who made entries, named beside them in histories and as inspector',
  'author-named.name': 'who made entries, named beside them in histories and as inspector',
  'tester-calibrated.instrument': 'names what the number and the day stand on',
  'tester-calibrated.tester': 'names what the number and the day stand on',
  'photo-keeping-chosen.days': 'how long the server keeps what was taken back; held by the test of the sweep',
  'phrase-saved.phrase': 'offered while a note or a caption is typed',
  'phrase-saved.text': 'offered while a note or a caption is typed; held by its own tests',
  'tester-proved.instrument': 'of the kit: stands on the page of the kit, not in a report',
  'tester-proved.tester': 'of the kit: stands on the page of the kit, not in a report',
  'tester-proved.passed': 'of the kit: stands on the page of the kit, not in a report',
  'finding-added.finding': 'its own name',
  'findings-ordered.findings': 'held by the tests of decided findings',
  'receptacle-merged.into': 'held by the tests of the fold',
  'signed.strokes': 'the drawn signature itself',
  'hot-spot-measured.unit': 'stands behind degrees: held by the tests of heat',
  'dimmer-measured.unit': 'stands behind the plate’s degrees: held by the tests of dimmers',
};

/** Fields of which one value must change something: the others do so beside other findings alone. */
const oneSuffices: Readonly<Record<string, string>> = {
  'wording-saved.of': 'the correction of a condition, where a finding of it stands',
  'reference-checked.reference': 'the mark of a reference, where a finding quotes it',
};

type Def = z.core.$ZodTypes['_zod']['def'];
const defOf = (schema: z.core.$ZodType): Def => schema._zod.def as Def;

/** Every value that a field is tried with: each of a choice, else one. */
function valuesOf(name: string, schema: z.core.$ZodType): readonly unknown[] {
  switch (name) {
    case 'receptacle':
      return places;
    case 'room':
      return [room];
    case 'moved':
      return [id(0x21)];
    case 'outlet':
    case 'into':
      return [correct];
    case 'halfOf':
      return [wrong];
    case 'tester':
      return [tester];
    case 'dead':
    case 'receptacles':
      return [[wrong]];
    case 'instrument':
      return defOf(schema).type === 'enum'
        ? ['meter', ...Object.values((schema as z.ZodEnum).enum)]
        : valuesByType(name, schema);
    case 'calibratedOn':
      return ['2024-01-31'];
    case 'after':
      return [null];
    case 'reference':
      return ['nec-406.4-d2', ...Object.values((schema as z.ZodEnum).enum)];
    case 'rooms':
      return [[id(0x21)]];
    case 'at':
      return [];
    case 'finding':
      return ['reads:open-ground:lamps-hn'];
    case 'layout':
      return [['ng', 'hg', 'hn'].map((pair) => ({ pair, colour: 'blue' }))];
    case 'mark':
      return ['data:image/png;base64,AAAA'];
    case 'strokes':
      return [[[0, 0, 10, 10]]];
    case 'schools':
      return [{ 'neutral-to-ground': 'half-volt' }];
    case 'breaker':
      return ['7'];
    case 'photo':
      return [id(0xb0)];
    case 'photos':
      return [[id(0xb1)]];
    case 'drawn':
      return [id(0xc1)];
    case 'from':
      return [wrong];
    case 'end':
      return [correct];
    case 'about':
      return [wrong];
    case 'takenAt':
      return ['2026-05-03T10:00:00.000Z'];
  }
  return valuesByType(name, schema);
}

function valuesByType(name: string, schema: z.core.$ZodType): readonly unknown[] {
  const def = defOf(schema);
  switch (def.type) {
    case 'optional':
    case 'nullable':
    case 'readonly':
      return valuesOf(name, def.innerType);
    case 'literal':
      return def.values;
    case 'enum':
      return Object.values(def.entries);
    case 'boolean':
      return [true, false];
    case 'number':
      return [
        Math.max(2, (schema as z.ZodNumber).minValue ?? 0) + (name.toLowerCase().includes('year') ? 255 : 0),
      ];
    case 'string':
      return ['Words of somebody'];
    case 'array':
      return valuesOf(name, def.element).map((value) => [value]);
    case 'union':
      return def.options.flatMap((option) => valuesOf(name, option));
    case 'object':
      return objectsOf(def.shape);
    default:
      throw new Error(`no values for ${name}: ${def.type}`);
  }
}

/** An object for every value of each of its fields, the others as little as they may be. */
function objectsOf(
  shape: Readonly<Record<string, z.core.$ZodType>>,
): readonly Readonly<Record<string, unknown>>[] {
  const fields = Object.entries(shape);
  const least = Object.fromEntries(
    fields
      .filter(([, schema]) => schema._zod.optin !== 'optional')
      .map(([name, schema]) => [name, valuesOf(name, schema)[0]]),
  );
  const all = fields.flatMap(([name, schema]) =>
    valuesOf(name, schema).map((value) => ({ ...least, [name]: value })),
  );
  return all.length === 0 ? [least] : all;
}

/** One that is taken anew; what else is said of photos is said of one that is there. */
const newPhoto = { photo: id(0xb2) };

const envelope = new Set(['id', 'device', 'author', 'at', 'clock', 'received', 'link', 'kind']);

interface Tried {
  readonly kind: string;
  readonly field: string;
  readonly value: string;
  readonly statements: readonly Readonly<Record<string, unknown>>[];
}

/** Every field and value of a kind, with the statements that say it: one for each receptacle that it may be said of. */
function triedOf(schema: z.core.$ZodType): readonly Tried[] {
  const def = defOf(schema);
  if (def.type === 'union') return def.options.flatMap(triedOf);
  if (def.type !== 'object') return [];
  const { shape } = def;
  const kind = String((defOf(shape.kind as z.core.$ZodType) as z.core.$ZodLiteralDef<string>).values[0]);
  const own = Object.fromEntries(Object.entries(shape).filter(([name]) => !envelope.has(name)));
  const [first = {}] = objectsOf(own);
  const least = { ...first, ...(kind === 'photo-taken' ? newPhoto : {}) };
  const isAbout = 'receptacle' in own;
  const fields = Object.entries(own).filter(([name]) => name !== 'receptacle');
  const about = (statement: object) =>
    isAbout ? places.map((receptacle) => ({ ...statement, kind, receptacle })) : [{ ...statement, kind }];
  if (fields.length === 0) return [{ kind, field: 'kind', value: kind, statements: about(least) }];
  return fields.flatMap(([field, valueSchema]) => {
    const values =
      kind === 'photo-taken' && field === 'photo' ? [newPhoto.photo] : valuesOf(field, valueSchema);
    // Of a yes and a no one must change something: which, depends on what stood there before.
    const isOne = values.every((value) => typeof value === 'boolean') || `${kind}.${field}` in oneSuffices;
    const groups = isOne ? [values] : values.map((one) => [one]);
    return groups.map((group) => ({
      kind,
      field,
      value: JSON.stringify(group),
      statements: group.flatMap((value) => about({ ...least, [field]: value })),
    }));
  });
}

const isExempt = (kind: string, field: string, value: string): boolean =>
  `${kind}.${field}` in exempt || `${kind}.${field} = ${value}` in exempt;

const before = saidOf(base, baseKit);
const sheetBefore = before.sheet();
function changes(entries: readonly JobEntry[], kitEntries: readonly KitEntry[]): boolean {
  const after = saidOf(entries, kitEntries);
  return after.data !== before.data || after.sheet() !== sheetBefore;
}

const jobTried = (jobEntrySchema() as unknown as z.ZodDiscriminatedUnion).options.flatMap(triedOf);
const kitTried = (kitEntrySchema() as unknown as z.ZodDiscriminatedUnion).options.flatMap(triedOf);

test('every field of a job’s entries, and every value of every choice, changes what is said', () => {
  const idle = jobTried.filter(({ kind, field, value, statements }) => {
    if (isExempt(kind, field, value)) return false;
    return !statements.some((statement) => changes([...base, stamped<JobEntry>(statement)], baseKit));
  });
  expect(idle.map(({ kind, field, value }) => `${kind}.${field} = ${value}`)).toEqual([]);
});

test('and every field of a kit’s', () => {
  const idle = kitTried.filter(({ kind, field, value, statements }) => {
    if (isExempt(kind, field, value)) return false;
    return !statements.some((statement) => changes(base, [...baseKit, stamped<KitEntry>(statement)]));
  });
  expect(idle.map(({ kind, field, value }) => `${kind}.${field} = ${value}`)).toEqual([]);
});

test('every exemption is of a field that there is', () => {
  const fields = new Set(
    [...jobTried, ...kitTried].flatMap(({ kind, field, value }) => [
      `${kind}.${field}`,
      `${kind}.${field} = ${value}`,
    ]),
  );
  expect(Object.keys(exempt).filter((one) => !fields.has(one))).toEqual([]);
});
