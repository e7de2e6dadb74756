import { z } from 'zod';
import { type Fault, faultSchema } from '../faults/index.ts';
import { testSchema } from '../instruments/index.ts';
import { legs, metals, panel } from '../physics/names.ts';

const id = z.string().min(1).max(64);
const positive = z.number().positive().max(1e9);

const outletSchema = z.strictObject({
  id: id.refine((name) => name !== panel, { message: 'panel-is-no-outlet' }),
  wiring: z.enum(['pigtail', 'through']).default('pigtail'),
  leg: z.enum(legs).default('L1'),
});

const cableSchema = z
  .strictObject({
    id,
    from: id,
    to: id,
    /** Length in metres. */
    meters: z.number().positive().max(100_000),
    metal: z.enum(metals),
    /** American wire gauge; 0, -1, -2, -3 are 1/0 to 4/0. */
    awg: z.int().min(-3).max(40).optional(),
    /** Cross-section in square millimetres. */
    mm2: z.number().min(0.01).max(2000).optional(),
    ground: z.boolean().default(true),
  })
  .refine((cable) => (cable.awg === undefined) !== (cable.mm2 === undefined), {
    message: 'one-size',
  });

const protectionSchema = z
  .strictObject({
    at: id,
    kind: z.enum(['gfci', 'rcd']),
    covers: z.enum(['outlet', 'downstream']),
    state: z.enum(['set', 'tripped', 'failed', 'lockedOut']).default('set'),
    tripMilliamps: z.number().positive().max(10_000).optional(),
    /** With a device locked out: which pole stayed closed. */
    leaves: z.literal('hot').optional(),
  })
  .refine((device) => device.leaves === undefined || device.state === 'lockedOut', {
    message: 'only-locked-out-leaves-a-pole',
    path: ['leaves'],
  });

const loadSchema = z.strictObject({ at: id, watts: positive, on: z.boolean().default(true) });

/** The circuit file without the rules that join its parts; its JSON Schema is published. */
export const circuitShape = z.strictObject({
  format: z.literal('fair-plug/circuit@1'),
  nominalVolts: z.number().positive().max(1000).default(120),
  degreesApart: z.union([z.literal(120), z.literal(180)]).optional(),
  hertz: z.number().positive().max(1000).default(60),
  sourceOhms: z.number().min(1e-6).max(1000).default(0.05),
  celsius: z.number().min(-60).max(250).default(20),
  breaker: z
    .strictObject({ amps: z.number().positive().max(10_000), on: z.boolean().default(true) })
    .default({ amps: 15, on: true }),
  outlets: z.array(outletSchema).min(1).max(10_000),
  cables: z.array(cableSchema).min(1).max(10_001),
  protection: z.array(protectionSchema).max(10_000).default([]),
  loads: z.array(loadSchema).max(10_000).default([]),
  faults: z.array(faultSchema).max(10_000).default([]),
  tests: z.array(testSchema()).max(100_000).default([]),
});

export type Circuit = Readonly<z.output<typeof circuitShape>>;
export type Outlet = Circuit['outlets'][number];
export type Cable = Circuit['cables'][number];
export type Protection = Circuit['protection'][number];
export type Load = Circuit['loads'][number];
export type { Fault };
