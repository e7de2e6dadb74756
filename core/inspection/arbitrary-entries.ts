import fc from 'fast-check';
import {
  conductorMetals,
  dangers,
  leavingItems,
  looks,
  notReachedReasons,
  protectionLabels,
  urgencies,
} from '../conditions/index.ts';
import { lampStates, pairs } from '../instruments/index.ts';
import type { JobEntry, JobStatement, KitEntry } from './entry.ts';

/** The n-th of a row of valid UUIDv7 ids, for tests. */
export const idNumber = (n: number): string => `01900000-0000-7000-8000-${n.toString(16).padStart(12, '0')}`;

/** Statements as the entries of one device and author, a second apart; their ids count from `first`. */
export const asEntries = (said: readonly JobStatement[], first = 0x1000): readonly JobEntry[] =>
  said.map(
    (one, second): JobEntry => ({
      id: idNumber(first + second),
      device: idNumber(2),
      author: idNumber(3),
      at: new Date(Date.UTC(2026, 4, 4, 9, 0, second)).toISOString(),
      ...one,
    }),
  );

const few = (from: number) => fc.integer({ min: from, max: from + 4 }).map(idNumber);
const device = few(0x10);
const room = few(0x20);
const receptacle = few(0x30);
const entryId = fc.integer({ min: 0x100, max: 0x130 }).map(idNumber);
const words = fc.string({ unit: 'grapheme', minLength: 1, maxLength: 12 }).map((text) => `x${text}y`);
/** Few enough instants that many entries share one. */
const instant = fc
  .integer({ min: 0, max: 20 })
  .map((minute) => new Date(Date.UTC(2026, 4, 4, 9, minute)).toISOString());
const findingKey = fc.constantFrom('reads open-ground: x', 'house miswired', 'own a');
const lampState = fc.constantFrom(...lampStates);

const clock = fc.tuple(instant, fc.nat(2)).map(([at, count]) => `${at}~000${count}`);
const envelope = { id: entryId, device, author: fc.constant(idNumber(1)), at: instant, clock };

const jobEntry: fc.Arbitrary<JobEntry> = fc.oneof(
  fc.record(
    {
      ...envelope,
      kind: fc.constant('job-described' as const),
      address: words,
      client: words,
      yearBuilt: fc.integer({ min: 1880, max: 2026 }),
      about: words,
    },
    { requiredKeys: ['id', 'device', 'author', 'at', 'kind'] },
  ),
  fc.record(
    {
      ...envelope,
      kind: fc.constant('room-described' as const),
      room,
      name: words,
      expected: fc.constantFrom(null, 0, 4),
      door: fc.constantFrom(0, 0.5),
    },
    { requiredKeys: ['id', 'device', 'author', 'at', 'kind', 'room', 'name'] },
  ),
  fc.record({
    ...envelope,
    kind: fc.constant('rooms-ordered' as const),
    rooms: fc.shuffledSubarray([0x20, 0x21, 0x22, 0x23].map(idNumber), { minLength: 1 }),
  }),
  fc.record({ ...envelope, kind: fc.constant('receptacle-merged' as const), receptacle, into: receptacle }),
  fc.record({
    ...envelope,
    kind: fc.constant('look-noted' as const),
    receptacle,
    look: fc.constantFrom(...looks),
    seen: fc.boolean(),
  }),
  fc.record({
    ...envelope,
    kind: fc.constant('not-reached' as const),
    receptacle,
    reason: fc.constantFrom(null, ...notReachedReasons),
  }),
  fc.record({
    ...envelope,
    kind: fc.constant('tester-proved' as const),
    instrument: fc.constantFrom('lamps' as const, 'probe' as const),
    passed: fc.boolean(),
  }),
  fc.record({
    ...envelope,
    kind: fc.constant('went-dead' as const),
    by: fc.record({ kind: fc.constant('device' as const), receptacle }),
    dead: fc.uniqueArray(receptacle, { maxLength: 3 }),
    powerBack: fc.boolean(),
  }),
  fc.record({
    ...envelope,
    kind: fc.constant('left-as-found' as const),
    item: fc.constantFrom(...leavingItems),
    done: fc.boolean(),
  }),
  fc.record({
    ...envelope,
    kind: fc.constant('receptacle-described' as const),
    receptacle,
    room,
    name: words,
  }),
  fc.record({
    ...envelope,
    kind: fc.constant('lamps-read' as const),
    receptacle,
    lamps: fc.record({ hn: lampState, hg: lampState, ng: lampState }),
  }),
  fc.record({
    ...envelope,
    kind: fc.constant('reading-taken' as const),
    receptacle,
    shown: fc.record({
      instrument: fc.constant('probe' as const),
      hot: fc.boolean(),
      neutral: fc.boolean(),
      ground: fc.boolean(),
    }),
  }),
  fc.record({
    ...envelope,
    kind: fc.constant('receptacle-fed' as const),
    receptacle,
    breaker: fc.constantFrom(null, '7', '9'),
    place: fc.constantFrom(null, 1, 2),
  }),
  fc.record({
    ...envelope,
    kind: fc.constant('finding-decided' as const),
    finding: findingKey,
    decision: fc.constant('accepted' as const),
    held: fc.record({
      urgency: fc.constantFrom(...urgencies),
      headline: words,
      what: words,
      why: words,
      correction: words,
      by: fc.constantFrom('electrician' as const, 'owner' as const),
      condition: fc.constantFrom(null, 'open-ground' as const),
      receptacles: fc.uniqueArray(receptacle, { maxLength: 3 }),
      where: fc.constant(null),
    }),
  }),
  fc.record(
    {
      ...envelope,
      kind: fc.constant('finding-edited' as const),
      finding: findingKey,
      headline: fc.oneof(words, fc.constant(null)),
      urgency: fc.constantFrom(null, ...urgencies),
    },
    { requiredKeys: ['id', 'device', 'author', 'at', 'kind', 'finding'] },
  ),
  fc.record({
    ...envelope,
    kind: fc.constant('finding-merged' as const),
    finding: findingKey,
    into: fc.oneof(findingKey, fc.constant(null)),
  }),
  fc.record({
    ...envelope,
    kind: fc.constant('signed' as const),
    role: fc.constantFrom('inspector' as const, 'client' as const),
    name: words,
    strokes: fc.array(
      fc
        .array(fc.tuple(fc.nat(1000), fc.nat(320)), { minLength: 1, maxLength: 5 })
        .map((points) => points.flat()),
      { maxLength: 3 },
    ),
  }),
  fc.record(
    {
      ...envelope,
      kind: fc.constant('cover-off' as const),
      receptacle,
      provedDead: fc.constant(true as const),
      metal: fc.constantFrom(...conductorMetals),
      awg: fc.constantFrom(12, 14),
      breakerAmps: fc.constantFrom(15, 20),
      jumper: fc.boolean(),
      pushIn: fc.boolean(),
    },
    { requiredKeys: ['id', 'device', 'author', 'at', 'kind', 'receptacle', 'provedDead'] },
  ),
  fc.record(
    {
      ...envelope,
      kind: fc.constant('protection-noted' as const),
      receptacle,
      labels: fc.subarray([...protectionLabels]),
      resetAt: fc.oneof(words, fc.constant(null)),
      lockedOut: fc.boolean(),
      madeIn: fc.constantFrom(null, 1998, 2014),
    },
    { requiredKeys: ['id', 'device', 'author', 'at', 'kind', 'receptacle'] },
  ),
  fc.record(
    {
      ...envelope,
      kind: fc.constant('ground-fault-tested' as const),
      receptacle,
      by: fc.constantFrom('tester-button' as const, 'own-button' as const),
      result: fc.constantFrom('tripped' as const, 'no-trip' as const, 'power-stays-on' as const),
      heldSeconds: fc.constantFrom(0.4, 6),
    },
    { requiredKeys: ['id', 'device', 'author', 'at', 'kind', 'receptacle', 'by', 'result'] },
  ),
  fc.record({
    ...envelope,
    kind: fc.constant('people-warned' as const),
    receptacle,
    danger: fc.constantFrom(...dangers),
  }),
  fc.record({ ...envelope, kind: fc.constant('noted' as const), receptacle, text: words }),
  fc.record({
    ...envelope,
    kind: fc.constant('plan-chosen' as const),
    sample: fc.constantFrom(null, 5, 24),
  }),
  fc.record({
    ...envelope,
    kind: fc.constant('went-dead' as const),
    by: fc.record({ kind: fc.constant('breaker' as const), breaker: fc.constantFrom('7', '9') }),
    dead: fc.uniqueArray(receptacle, { maxLength: 3 }),
    powerBack: fc.boolean(),
  }),
  fc.record({
    ...envelope,
    kind: fc.constant('finding-decided' as const),
    finding: findingKey,
    decision: fc.constant('open' as const),
  }),
  fc.record({
    ...envelope,
    kind: fc.constant('finding-added' as const),
    finding: fc.constantFrom('own a', 'own b'),
    urgency: fc.constantFrom(...urgencies),
    headline: words,
    what: words,
    why: words,
    correction: words,
    by: fc.constantFrom('electrician' as const, 'owner' as const),
    receptacles: fc.uniqueArray(receptacle, { maxLength: 3 }),
  }),
  fc.record({
    ...envelope,
    kind: fc.constant('finding-split' as const),
    finding: findingKey,
    part: fc.constantFrom('own c', 'own d'),
    receptacles: fc.uniqueArray(receptacle, { minLength: 1, maxLength: 3 }),
  }),
  fc.record({
    ...envelope,
    kind: fc.constant('findings-ordered' as const),
    findings: fc.shuffledSubarray(['reads open-ground: x', 'house miswired', 'own a'], { minLength: 1 }),
  }),
  fc.record({
    ...envelope,
    kind: fc.constant('withdrawn' as const),
    entries: fc.array(entryId, { minLength: 1, maxLength: 3 }),
  }),
);

/** A log of an inspection: every id once, references that may lead nowhere, times that collide. */
export const jobLog = fc.uniqueArray(jobEntry, { selector: (entry) => entry.id, maxLength: 40 });

const colour = fc.constantFrom('amber' as const, 'red' as const, 'green' as const);
const testerEntry: fc.Arbitrary<KitEntry> = fc
  .tuple(fc.shuffledSubarray([...pairs], { minLength: 3 }), fc.tuple(colour, colour, colour), words)
  .chain(([order, [a, b, c], name]) => {
    const [first = 'hn', second = 'hg', third = 'ng'] = order;
    return fc.record({
      ...envelope,
      kind: fc.constant('tester-described' as const),
      tester: few(0x40),
      name: fc.constant(name),
      layout: fc.constant([
        { pair: first, colour: a },
        { pair: second, colour: b },
        { pair: third, colour: c },
      ] as [
        { pair: typeof first; colour: typeof a },
        { pair: typeof first; colour: typeof a },
        { pair: typeof first; colour: typeof a },
      ]),
    });
  });

export const kitLog = fc.uniqueArray(testerEntry, { selector: (entry) => entry.id, maxLength: 12 });

/** The same entries in another order, some of them several times. */
export const jumbled = <E>(log: readonly E[]): fc.Arbitrary<E[]> =>
  fc
    .tuple(
      fc.shuffledSubarray([...log], { minLength: log.length }),
      fc.array(fc.nat({ max: Math.max(0, log.length - 1) }), { maxLength: 20 }),
    )
    .map(([shuffled, again]) => [
      ...shuffled,
      ...again.flatMap((index) => (log[index] === undefined ? [] : [log[index]])),
    ]);
