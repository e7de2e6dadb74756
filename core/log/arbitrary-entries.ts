import fc from 'fast-check';
import type { z } from 'zod';
import { pairs } from '../instruments/index.ts';
import { type JobEntry, type JobStatement, jobEntrySchema, type KitEntry, kitEntrySchema } from './entry.ts';

/** The n-th of a row of valid UUIDv7 ids, for tests. */
export const idNumber = (n: number): string => `01900000-0000-7000-8000-${n.toString(16).padStart(12, '0')}`;

/** Statements as the entries of one device and author, a second apart; their ids count from `first`. */
export const asEntries = (statements: readonly JobStatement[], first = 0x1000): readonly JobEntry[] =>
  statements.map(
    (one, second): JobEntry => ({
      id: idNumber(first + second),
      device: idNumber(2),
      author: idNumber(3),
      at: new Date(Date.UTC(2026, 4, 4, 9, 0, second)).toISOString(),
      ...one,
    }),
  );

const few = (from: number) => fc.integer({ min: from, max: from + 4 }).map(idNumber);
const room = few(0x20);
const receptacle = few(0x30);
const tester = few(0x40);
const entryId = fc.integer({ min: 0x100, max: 0x130 }).map(idNumber);
const words = fc.string({ unit: 'grapheme', minLength: 1, maxLength: 12 }).map((text) => `x${text}y`);
/** Few enough instants that many entries share one. */
const instant = fc
  .integer({ min: 0, max: 20 })
  .map((minute) => new Date(Date.UTC(2026, 4, 4, 9, minute)).toISOString());
const finding = fc.constantFrom('reads open-ground: x', 'house miswired', 'own a', 'own b');
const colour = fc.constantFrom('amber' as const, 'red' as const, 'green' as const);

/** What fields of these names hold, whatever else their schema would let in: ids that meet, and times that collide. */
const byName: Readonly<Record<string, fc.Arbitrary<unknown>>> = {
  id: entryId,
  device: few(0x10),
  author: fc.constant(idNumber(1)),
  at: instant,
  clock: fc.tuple(instant, fc.nat(2)).map(([at, count]) => `${at}~000${count}`),
  received: instant,
  // What is drawn was entered by nobody: a link would cover something else.
  link: fc.constant(undefined),
  room,
  moved: room,
  after: fc.oneof(room, fc.constant(null)),
  receptacle,
  into: receptacle,
  halfOf: receptacle,
  outlet: receptacle,
  receptacles: fc.uniqueArray(receptacle, { minLength: 1, maxLength: 3 }),
  dead: fc.uniqueArray(receptacle, { maxLength: 3 }),
  tester,
  template: few(0x50),
  breaker: fc.constantFrom('7', '9'),
  finding,
  part: fc.constantFrom('own c', 'own d'),
  findings: fc.uniqueArray(finding, { minLength: 1 }),
  entries: fc.array(entryId, { minLength: 1, maxLength: 3 }),
  layout: fc
    .tuple(fc.shuffledSubarray([...pairs], { minLength: 3 }), fc.tuple(colour, colour, colour))
    .map(([order, colours]) => order.map((pair, at) => ({ pair, colour: colours[at] }))),
  positions: fc.constantFrom('ud', 'uu', 'udu'),
  spot: few(0x70),
  point: few(0x80),
  panel: few(0x90),
  position: few(0xa0),
  photo: few(0xb0),
  photos: fc.uniqueArray(few(0xb0), { minLength: 1 }),
  about: receptacle,
  drawn: few(0xc0),
  hash: fc.constantFrom('a'.repeat(64), 'b'.repeat(64)),
  takenAt: instant,
  timeZone: fc.constantFrom('America/Denver', 'Europe/London', 'UTC'),
  strokes: fc.array(
    fc
      .array(fc.tuple(fc.nat(1000), fc.nat(320)), { minLength: 1, maxLength: 5 })
      .map((points) => points.flat()),
    { maxLength: 3 },
  ),
  mark: fc.constant('data:image/png;base64,AAAA'),
  schools: fc.constant({}),
};

/** Some fields mean otherwise in one kind. */
const byKind: Readonly<Record<string, Readonly<Record<string, fc.Arbitrary<unknown>>>>> = {
  'rooms-ordered': { rooms: fc.shuffledSubarray([0x20, 0x21, 0x22, 0x23].map(idNumber), { minLength: 1 }) },
  'finding-merged': { into: fc.oneof(finding, fc.constant(null)) },
};

type Def = z.core.$ZodTypes['_zod']['def'];

/** Values that a schema lets in. */
function valuesOf(schema: z.core.$ZodType, kind = ''): fc.Arbitrary<unknown> {
  const { def } = schema._zod as unknown as { def: Def };
  switch (def.type) {
    case 'object':
      return objectsOf(def.shape, kind);
    case 'union':
      return fc.oneof(...def.options.map((option) => valuesOf(option, kind)));
    case 'literal':
      return fc.constantFrom(...def.values);
    case 'enum':
      return fc.constantFrom(...Object.values(def.entries));
    case 'boolean':
      return fc.boolean();
    case 'number': {
      const { minValue, maxValue } = schema as z.ZodNumber;
      const least = Math.ceil(Math.max(0, minValue ?? 0));
      return fc.integer({ min: least, max: Math.min(maxValue ?? least + 20, least + 20) });
    }
    case 'string':
      return textsOf(schema as z.ZodString);
    case 'array':
      return fc.array(valuesOf(def.element, kind), { maxLength: 3 });
    case 'nullable':
      return fc.option(valuesOf(def.innerType, kind));
    case 'optional':
    case 'readonly':
      return valuesOf(def.innerType, kind);
    default:
      throw new Error(`no values are drawn for ${def.type}`);
  }
}

/** Ids, days, or words: whichever a text of that schema may be. */
function textsOf(schema: z.ZodString): fc.Arbitrary<string> {
  if (schema.safeParse(idNumber(0x60)).success && !schema.safeParse('x').success) return few(0x60);
  return schema.safeParse('x').success ? words : fc.constantFrom('2025-05-04', '2026-01-31');
}

function objectsOf(shape: Readonly<Record<string, z.core.$ZodType>>, outer: string): fc.Arbitrary<unknown> {
  const literal = shape.kind?._zod.def as Def | undefined;
  const kind = literal?.type === 'literal' && outer === '' ? String(literal.values[0]) : outer;
  const fields = Object.entries(shape).map(([name, schema]) => ({
    name,
    values: byKind[kind]?.[name] ?? byName[name] ?? valuesOf(schema, kind),
    isOptional: schema._zod.optin === 'optional',
  }));
  return fc.record(Object.fromEntries(fields.map(({ name, values }) => [name, values])), {
    requiredKeys: fields.filter(({ isOptional }) => !isOptional).map(({ name }) => name),
  });
}

/** Every kind as often as the others, whatever its options. */
const entriesOf = <E>(schema: z.ZodDiscriminatedUnion): fc.Arbitrary<E> =>
  fc
    .oneof(...schema.options.map((option) => valuesOf(option)))
    .filter((entry) => schema.safeParse(entry).success) as fc.Arbitrary<E>;

const log = <E extends { readonly id: string }>(entry: fc.Arbitrary<E>, maxLength: number) =>
  fc.uniqueArray(entry, { selector: ({ id }) => id, maxLength });

/** A log of an inspection: every id once, references that may lead nowhere, times that collide. */
export const jobLog = log(entriesOf<JobEntry>(jobEntrySchema() as never), 40);
export const kitLog = log(entriesOf<KitEntry>(kitEntrySchema() as never), 20);

/** The same entries in another order, some of them several times. */
export const jumbled = <E>(entries: readonly E[]): fc.Arbitrary<E[]> =>
  fc
    .tuple(
      fc.shuffledSubarray([...entries], { minLength: entries.length }),
      fc.array(fc.nat({ max: Math.max(0, entries.length - 1) }), { maxLength: 20 }),
    )
    .map(([shuffled, again]) => [
      ...shuffled,
      ...again.flatMap((index) => (entries[index] === undefined ? [] : [entries[index]])),
    ]);
