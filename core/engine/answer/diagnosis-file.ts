import { z } from 'zod';
import {
  atMost,
  type Circuit,
  circuitShape,
  type Parsed,
  type Problem,
  parseBy,
  parseCircuit,
  readingsSchema,
  type WrongCode,
} from '../../circuit/index.ts';
import { type InstrumentId, instrumentIds, isOfDevice, type Reading } from '../../instruments/index.ts';
import type { HouseFacts } from '../model/priors.ts';

/** A readings file with what else is known; its circuit is checked apart. */
export const diagnosisInputShape = readingsSchema.extend({
  circuit: z.unknown().optional(),
  /** `unknown`: any outlet may be on either leg of a shared neutral. */
  legs: z.enum(['as-written', 'unknown']).optional(),
  house: z
    .strictObject({
      yearBuilt: z.int().min(1600).max(2200).optional(),
      groundedWiring: z.boolean().nullable().optional(),
    })
    .optional(),
  /** Instruments at hand; all where left out. */
  kit: z.array(z.enum(instrumentIds)).max(20).optional(),
  /** Readings taken after something was repaired. */
  afterRepair: readingsSchema.shape.readings.optional(),
});

/** The JSON Schema of what `fairplug diagnose` takes; its circuit is a circuit file without faults. */
export const diagnosisJsonSchemas = (): Readonly<Record<string, object>> => ({
  'diagnosis-input.schema.json': z.toJSONSchema(
    diagnosisInputShape.extend({ circuit: circuitShape.omit({ faults: true }).optional() }),
    { io: 'input' },
  ),
});

export interface DiagnosisInput {
  readonly circuit: Circuit | null;
  readonly unknownLoads: boolean;
  readonly legs: 'as-written' | 'unknown';
  readonly unknownDevices: ReadonlySet<number>;
  readonly readings: readonly Reading[];
  readonly trippedBefore: readonly string[];
  readonly afterRepair: readonly Reading[];
  readonly house: HouseFacts;
  readonly kit: readonly InstrumentId[];
}

/** A diagnosis takes so many outlets, and readings on them, at the most: a breaker feeds a dozen. */
const mostOutlets = 300;
const mostReadings = 10_000;

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Parses what `fairplug diagnose` takes; never throws. */
export function parseDiagnosisInput(input: unknown): Parsed<DiagnosisInput> {
  const parsed = parseBy(diagnosisInputShape, input);
  if (parsed.kind === 'problems') return parsed;
  const {
    readings,
    house = {},
    kit = instrumentIds,
    trippedBefore = [],
    afterRepair = [],
    legs = 'as-written',
    circuit,
  } = parsed.value;
  const common = { readings, trippedBefore, afterRepair, house, kit, legs };
  if (circuit === undefined)
    return {
      kind: 'parsed',
      value: { ...common, circuit: null, unknownLoads: true, unknownDevices: new Set() },
    };
  if (readings.length > mostReadings)
    return {
      kind: 'problems',
      problems: [{ path: '/readings', value: readings.length, wrong: atMost(mostReadings, 'array') }],
    };
  const asked = isRecord(circuit) ? circuit : {};
  if (Array.isArray(asked.outlets) && asked.outlets.length > mostOutlets)
    return {
      kind: 'problems',
      problems: [
        { path: '/circuit/outlets', value: asked.outlets.length, wrong: atMost(mostOutlets, 'array') },
      ],
    };
  if (Array.isArray(asked.faults) && asked.faults.length > 0)
    return problem('/circuit/faults', asked.faults, 'faults-given');
  const ofCircuit = parseCircuit(circuit);
  if (ofCircuit.kind === 'problems') {
    const [first, ...others] = ofCircuit.problems.map((one) => ({ ...one, path: `/circuit${one.path}` }));
    if (first !== undefined) return { kind: 'problems', problems: [first, ...others] };
  } else {
    const wrong = [
      ...placeProblems(ofCircuit.value, readings, '/readings'),
      ...placeProblems(ofCircuit.value, afterRepair, '/afterRepair'),
      ...deviceProblems(ofCircuit.value, trippedBefore, '/trippedBefore'),
    ];
    const [first, ...others] = wrong;
    if (first !== undefined) return { kind: 'problems', problems: [first, ...others] };
    const devices = Array.isArray(asked.protection) ? asked.protection : [];
    return {
      kind: 'parsed',
      value: {
        ...common,
        circuit: ofCircuit.value,
        unknownLoads: asked.loads === undefined,
        unknownDevices: new Set(
          devices.flatMap((device, index) => (isRecord(device) && device.state === undefined ? [index] : [])),
        ),
      },
    };
  }
  return problem('/circuit', circuit, 'no-circuit');
}

const problem = (path: string, value: unknown, code: WrongCode): Parsed<never> => ({
  kind: 'problems',
  problems: [{ path, value, wrong: { code } }],
});

function placeProblems(
  { outlets, protection }: Circuit,
  readings: readonly Reading[],
  path: string,
): readonly Problem[] {
  const known = new Set(outlets.map(({ id }) => id));
  const devices = new Set(protection.map(({ at }) => at));
  const problems: Problem[] = [];
  readings.forEach((reading, index) => {
    if (!known.has(reading.at))
      problems.push({ path: `${path}/${index}/at`, value: reading.at, wrong: { code: 'no-outlet' } });
    else if (isOfDevice(reading.instrument) && !devices.has(reading.at))
      problems.push({
        path: `${path}/${index}/at`,
        value: reading.at,
        wrong: { code: 'no-button' },
      });
    const named = [
      ['state/tripped', reading.state?.tripped ?? []],
      ['trippedBefore', reading.trippedBefore ?? []],
      ['trips', 'trips' in reading ? reading.trips : []],
    ] as const;
    for (const [key, ids] of named)
      ids.forEach((id, position) => {
        if (!devices.has(id))
          problems.push({
            path: `${path}/${index}/${key}/${position}`,
            value: id,
            wrong: { code: 'no-device' },
          });
      });
  });
  return problems;
}

const deviceProblems = ({ protection }: Circuit, ids: readonly string[], path: string): readonly Problem[] =>
  ids.flatMap((id, position) =>
    protection.some(({ at }) => at === id)
      ? []
      : [{ path: `${path}/${position}`, value: id, wrong: { code: 'no-device' } }],
  );
