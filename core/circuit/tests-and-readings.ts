import { z } from 'zod';
import { lampStates } from './names.ts';

const id = z.string().min(1).max(64);

/** The state of a circuit while a test is made, where it differs from the file's. */
export const stateSchema = z.strictObject({
  /** Everything on the circuit unplugged or switched off. */
  loadsOff: z.boolean().optional(),
  breakerOff: z.boolean().optional(),
  /** Outlets whose protection devices are taken as tripped. */
  tripped: z.array(id).max(10_000).optional(),
});
export type TestState = Readonly<z.infer<typeof stateSchema>>;

const place = { at: id, state: stateSchema.optional() };

/** Settings of the two instruments that have one. */
const settings = {
  loaded: { amps: z.number().positive().max(1000).optional() },
  'gfci-button': { buttonMilliamps: z.number().positive().max(10_000).optional() },
} as const;

export const testSchema = z.discriminatedUnion('instrument', [
  z.strictObject({ ...place, instrument: z.literal('lamps') }),
  z.strictObject({ ...place, instrument: z.literal('meter') }),
  z.strictObject({ ...place, instrument: z.literal('meter-low') }),
  z.strictObject({ ...place, instrument: z.literal('earth-meter') }),
  z.strictObject({ ...place, instrument: z.literal('probe') }),
  z.strictObject({ ...place, instrument: z.literal('loaded'), ...settings.loaded }),
  z.strictObject({ ...place, instrument: z.literal('gfci-button'), ...settings['gfci-button'] }),
  z.strictObject({ ...place, instrument: z.literal('own-button') }),
]);
export type Test = Readonly<z.infer<typeof testSchema>>;

const volts = z.number().min(0).max(1e6);
const lamp = z.enum(lampStates);
const pairsInVolts = { hn: volts, hg: volts, ng: volts };
const trippedBefore = z.array(id).max(10_000).optional();
const read = { ...place, trippedBefore };

const shown = {
  lamps: { instrument: z.literal('lamps'), hn: lamp, hg: lamp, ng: lamp },
  meter: { instrument: z.literal('meter'), ...pairsInVolts },
  meterLow: { instrument: z.literal('meter-low'), ...pairsInVolts },
  earthMeter: { instrument: z.literal('earth-meter'), hot: volts, neutral: volts, ground: volts },
  probe: { instrument: z.literal('probe'), hot: z.boolean(), neutral: z.boolean(), ground: z.boolean() },
  loaded: { instrument: z.literal('loaded'), ...settings.loaded, ...pairsInVolts },
  gfciButton: {
    instrument: z.literal('gfci-button'),
    ...settings['gfci-button'],
    milliamps: z.number().min(0).max(1e6),
    trips: z.array(id).max(10_000),
    /** At most so long; absent where nothing trips. */
    seconds: z.number().min(0).max(1e6).optional(),
  },
  ownButton: { instrument: z.literal('own-button'), result: z.enum(['trips', 'no-power', 'nothing']) },
} as const;

export const readingSchema = z.discriminatedUnion('instrument', [
  z.strictObject({ ...read, ...shown.lamps }),
  z.strictObject({ ...read, ...shown.meter }),
  z.strictObject({ ...read, ...shown.meterLow }),
  z.strictObject({ ...read, ...shown.earthMeter }),
  z.strictObject({ ...read, ...shown.probe }),
  z.strictObject({ ...read, ...shown.loaded }),
  z.strictObject({ ...read, ...shown.gfciButton }),
  z.strictObject({ ...read, ...shown.ownButton }),
]);
export type Reading = Readonly<z.infer<typeof readingSchema>>;

const inState = { state: stateSchema.pick({ loadsOff: true, breakerOff: true }).optional() };

/** What an instrument showed, where it is said elsewhere at which receptacle. */
export const shownSchema = z.discriminatedUnion('instrument', [
  z.strictObject({ ...inState, ...shown.lamps }),
  z.strictObject({ ...inState, ...shown.meter }),
  z.strictObject({ ...inState, ...shown.meterLow }),
  z.strictObject({ ...inState, ...shown.earthMeter }),
  z.strictObject({ ...inState, ...shown.probe }),
  z.strictObject({ ...inState, ...shown.loaded }),
]);
export type Shown = Readonly<z.infer<typeof shownSchema>>;

export const readingsSchema = z.strictObject({
  format: z.literal('fair-plug/readings@1'),
  readings: z.array(readingSchema).max(100_000),
  /** Protection devices that tripped by themselves before any instrument was used. */
  trippedBefore,
});
export type ReadingsFile = Readonly<z.infer<typeof readingsSchema>>;
