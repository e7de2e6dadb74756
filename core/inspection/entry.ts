import { z } from 'zod';
import { instrumentIds } from '../circuit/names.ts';
import { shownSchema } from '../circuit/tests-and-readings.ts';
import {
  conductorMetals,
  dangers,
  deviceMarkings,
  insulations,
  jacketMarks,
  leavingItems,
  looks,
  notReachedReasons,
  protectionLabels,
  receptacleTypes,
} from '../conditions/observations.ts';
import { regionIds } from '../conditions/regions.ts';
import { lampsSchema } from '../instruments/lamps-schema.ts';
import { testerLayoutSchema } from '../instruments/tester-layout.ts';
import { envelope, idSchema, textSchema } from './envelope.ts';
import { findingEntrySchemas, signedSchema } from './finding-entries.ts';
import { firmEntrySchemas } from './firm-entries.ts';

const yearSchema = z.int().min(1700).max(2100);
/** A share of the way round a room's walls, clockwise from the corner at the top left as seen from above. */
const spotSchema = z.number().min(0).lt(1);

export const jobDescribedSchema = z.strictObject({
  ...envelope,
  kind: z.literal('job-described'),
  address: textSchema(200).optional(),
  client: textSchema(120).optional(),
  yearBuilt: yearSchema.optional(),
  about: textSchema(400).optional(),
  /** Whether the branch wiring has grounds; null: not known. */
  groundedWiring: z.boolean().nullable().optional(),
  storeys: z.int().min(1).max(60).optional(),
  region: z.enum(regionIds).optional(),
  /** What was added or made over, and when. */
  alterations: z
    .array(z.strictObject({ year: yearSchema, what: textSchema(80) }))
    .max(20)
    .optional(),
  /** Whether breakers may be switched; null: not asked. */
  breakerLeave: z.boolean().nullable().optional(),
  /** Who said so; null takes it back. */
  leaveFrom: textSchema(80).nullable().optional(),
  /** Equipment that must not lose power. */
  keepPowered: z.array(textSchema(60)).max(20).optional(),
  utilityOn: z.boolean().nullable().optional(),
  breakersFoundOff: textSchema(200).nullable().optional(),
  devicesFoundTripped: textSchema(200).nullable().optional(),
  present: textSchema(200).nullable().optional(),
  /** Houses of the same subdivision are known to have aluminum branch wiring. */
  aluminumNearby: z.boolean().nullable().optional(),
});

export const roomDescribedSchema = z.strictObject({
  ...envelope,
  kind: z.literal('room-described'),
  room: idSchema,
  name: textSchema(60),
  /** How many receptacles are looked for there; null: not said. */
  expected: z.int().min(0).max(200).nullable().optional(),
  /** Where its door is. */
  door: spotSchema.optional(),
});

/** Rooms in the order of the walk; those left out keep theirs, behind. */
export const roomsOrderedSchema = z.strictObject({
  ...envelope,
  kind: z.literal('rooms-ordered'),
  rooms: z.array(idSchema).min(1).max(300),
});

export const receptacleDescribedSchema = z.strictObject({
  ...envelope,
  kind: z.literal('receptacle-described'),
  receptacle: idSchema,
  room: idSchema,
  name: textSchema(60),
  type: z.enum(receptacleTypes).optional(),
  /** A three-to-two adapter is in use. */
  adapter: z.boolean().optional(),
  spot: spotSchema.nullable().optional(),
  /** The receptacle whose lower half this is, where the halves read apart. */
  halfOf: idSchema.optional(),
});

/** One was entered twice: what stands at it counts for the other. */
export const receptacleMergedSchema = z.strictObject({
  ...envelope,
  kind: z.literal('receptacle-merged'),
  receptacle: idSchema,
  into: idSchema,
});

export const lampsReadSchema = z.strictObject({
  ...envelope,
  kind: z.literal('lamps-read'),
  receptacle: idSchema,
  tester: idSchema.optional(),
  lamps: lampsSchema,
});

/** What an instrument other than the plain lamps showed, or lamps in another state of the circuit. */
export const readingTakenSchema = z.strictObject({
  ...envelope,
  kind: z.literal('reading-taken'),
  receptacle: idSchema,
  tester: idSchema.optional(),
  shown: shownSchema,
  /** Of a probe: whether the plate screw sounds. */
  plateScrew: z.boolean().optional(),
});

/** Which breaker feeds a receptacle, and where along the run it comes; null takes that back. */
export const receptacleFedSchema = z.strictObject({
  ...envelope,
  kind: z.literal('receptacle-fed'),
  receptacle: idSchema,
  /** As the panel's directory has it. */
  breaker: textSchema(40).nullable(),
  /** Counted from the panel; receptacles without one come last, in the order of the walk. */
  place: z.int().min(1).max(200).nullable(),
});

export const lookNotedSchema = z.strictObject({
  ...envelope,
  kind: z.literal('look-noted'),
  receptacle: idSchema,
  look: z.enum(looks),
  seen: z.boolean(),
});

/** What was seen with the cover off, by a qualified person who proved the box dead. */
export const coverOffSchema = z.strictObject({
  ...envelope,
  kind: z.literal('cover-off'),
  receptacle: idSchema,
  provedDead: z.literal(true),
  metal: z.enum(conductorMetals).optional(),
  /** What stands on the cable's jacket. */
  jacket: z.enum(jacketMarks).optional(),
  awg: z.int().min(4).max(18).optional(),
  breakerAmps: z.int().min(5).max(100).optional(),
  insulation: z.enum(insulations).optional(),
  /** A jumper from neutral to ground. */
  jumper: z.boolean().optional(),
  pushIn: z.boolean().optional(),
  marking: z.enum(deviceMarkings).optional(),
});

/** A reason why it was not reached; null takes it back. */
export const notReachedSchema = z.strictObject({
  ...envelope,
  kind: z.literal('not-reached'),
  receptacle: idSchema,
  reason: z.enum(notReachedReasons).nullable(),
});

/** What stands at a protected receptacle or its device; each field the latest. */
export const protectionNotedSchema = z.strictObject({
  ...envelope,
  kind: z.literal('protection-noted'),
  receptacle: idSchema,
  labels: z.array(z.enum(protectionLabels)).max(2).optional(),
  /** Where its reset is, where it is not here. */
  resetAt: textSchema(80).nullable().optional(),
  lockedOut: z.boolean().optional(),
  /** Year on the device. */
  madeIn: yearSchema.nullable().optional(),
});

/** A ground-fault device was tried at a receptacle. */
export const groundFaultTestedSchema = z.strictObject({
  ...envelope,
  kind: z.literal('ground-fault-tested'),
  receptacle: idSchema,
  tester: idSchema.optional(),
  by: z.enum(['tester-button', 'own-button']),
  result: z.enum(['tripped', 'no-trip', 'power-stays-on', 'no-power']),
  /** How long the button was held. */
  heldSeconds: z.number().min(0).max(120).optional(),
});

/** Which receptacles lost power with a device or a breaker, and whether it is back. */
export const wentDeadSchema = z.strictObject({
  ...envelope,
  kind: z.literal('went-dead'),
  by: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('device'), receptacle: idSchema }),
    z.strictObject({ kind: z.literal('breaker'), breaker: textSchema(40) }),
  ]),
  dead: z.array(idSchema).max(300),
  powerBack: z.boolean(),
});

/** A tester or another instrument was tried on a receptacle known to be live and good. */
export const testerProvedSchema = z.strictObject({
  ...envelope,
  kind: z.literal('tester-proved'),
  instrument: z.enum(instrumentIds),
  /** Which plug-in tester. */
  tester: idSchema.optional(),
  passed: z.boolean(),
});

/** People were told to keep away. */
export const peopleWarnedSchema = z.strictObject({
  ...envelope,
  kind: z.literal('people-warned'),
  receptacle: idSchema,
  danger: z.enum(dangers),
});

export const notedSchema = z.strictObject({
  ...envelope,
  kind: z.literal('noted'),
  receptacle: idSchema,
  text: textSchema(1000),
});

/** How many receptacles are to be tested: all that can be reached, or a sample of so many. */
export const planChosenSchema = z.strictObject({
  ...envelope,
  kind: z.literal('plan-chosen'),
  /** null: all that can be reached. */
  sample: z.int().min(1).max(2000).nullable(),
});

export const leftAsFoundSchema = z.strictObject({
  ...envelope,
  kind: z.literal('left-as-found'),
  item: z.enum(leavingItems),
  done: z.boolean(),
});

/** Takes entries back: they stay in the log and no longer count. A withdrawal itself is not taken back. */
export const withdrawnSchema = z.strictObject({
  ...envelope,
  kind: z.literal('withdrawn'),
  entries: z.array(idSchema).min(1).max(20),
});

export const testerDescribedSchema = z.strictObject({
  ...envelope,
  kind: z.literal('tester-described'),
  tester: idSchema,
  name: textSchema(60),
  layout: testerLayoutSchema,
  /** As printed on it: category and volts. */
  rating: textSchema(60).optional(),
});

/** Rooms to begin a house with; one without rooms is no longer offered. */
export const roomTemplateSavedSchema = z.strictObject({
  ...envelope,
  kind: z.literal('room-template-saved'),
  template: idSchema,
  name: textSchema(60),
  rooms: z
    .array(z.strictObject({ name: textSchema(60), expected: z.int().min(0).max(200).nullable() }))
    .max(100),
});

/** An entry in the log of one inspection. */
export const jobEntrySchema = z.discriminatedUnion('kind', [
  jobDescribedSchema,
  roomDescribedSchema,
  receptacleDescribedSchema,
  lampsReadSchema,
  readingTakenSchema,
  receptacleFedSchema,
  roomsOrderedSchema,
  receptacleMergedSchema,
  lookNotedSchema,
  coverOffSchema,
  notReachedSchema,
  protectionNotedSchema,
  groundFaultTestedSchema,
  wentDeadSchema,
  testerProvedSchema,
  peopleWarnedSchema,
  notedSchema,
  planChosenSchema,
  leftAsFoundSchema,
  ...findingEntrySchemas,
  signedSchema,
  withdrawnSchema,
]);

/** An entry in the log of a firm's kit. */
export const kitEntrySchema = z.discriminatedUnion('kind', [
  testerDescribedSchema,
  testerProvedSchema,
  roomTemplateSavedSchema,
  ...firmEntrySchemas,
  withdrawnSchema,
]);

export type JobEntry = Readonly<z.infer<typeof jobEntrySchema>>;
export type KitEntry = Readonly<z.infer<typeof kitEntrySchema>>;
export type LampsRead = Readonly<z.infer<typeof lampsReadSchema>>;
export type ReadingTaken = Readonly<z.infer<typeof readingTakenSchema>>;
export type Entry = JobEntry | KitEntry;
/** The job's entries of one kind. */
export type JobEntryOf<K extends JobEntry['kind']> = Extract<JobEntry, { kind: K }>;
/** What was decided on findings. */
export type FindingEntry = Readonly<z.infer<(typeof findingEntrySchemas)[number]>>;

/** What an entry says, before it is given an id, a device, an author and a time. */
type Said<E> = E extends unknown ? Omit<E, keyof typeof envelope> : never;
export type Statement = Said<Entry>;
export type JobStatement = Said<JobEntry>;
export type KitStatement = Said<KitEntry>;
