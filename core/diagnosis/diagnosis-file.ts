import { z } from 'zod';
import {
  type Circuit,
  circuitShape,
  type Fault,
  type InstrumentId,
  instrumentIds,
  type Network,
  type Parsed,
  type Problem,
  parseBy,
  parseCircuit,
  type Reading,
  readingsSchema,
  type WrongCode,
} from '../circuit/index.ts';
import { Diagnostician } from './diagnostician.ts';
import type { Localization } from './localization.ts';
import { diagnoseLone } from './lone-outlet.ts';
import type { NextTest } from './next-test.ts';
import type { HouseFacts } from './priors.ts';
import { runLengths } from './run-lengths.ts';
import { type SearchLimits, usualLimits } from './search.ts';

/** A readings file with what else is known; its circuit is checked apart. */
export const diagnosisInputShape = readingsSchema.extend({
  circuit: z.unknown().optional(),
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
  readonly unknownDevices: ReadonlySet<number>;
  readonly readings: readonly Reading[];
  readonly trippedBefore: readonly string[];
  readonly afterRepair: readonly Reading[];
  readonly house: HouseFacts;
  readonly kit: readonly InstrumentId[];
}

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
    circuit,
  } = parsed.value;
  const common = { readings, trippedBefore, afterRepair, house, kit };
  if (circuit === undefined)
    return {
      kind: 'parsed',
      value: { ...common, circuit: null, unknownLoads: true, unknownDevices: new Set() },
    };
  const asked = isRecord(circuit) ? circuit : {};
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
    else if (reading.instrument === 'own-button' && !devices.has(reading.at))
      problems.push({
        path: `${path}/${index}/at`,
        value: reading.at,
        wrong: { code: 'no-button' },
      });
    const named = [
      ['state/tripped', reading.state?.tripped ?? []],
      ['trippedBefore', reading.trippedBefore ?? []],
      ['trips', reading.instrument === 'gfci-button' ? reading.trips : []],
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

/** What a language says in an answer. */
export interface DiagnosisWords {
  /** "between the panel and Den 1, or in the box of Den 1"; `nameOf` gives the words for an outlet. */
  readonly place: (place: Localization, nameOf?: (outlet: string) => string) => string;
  /** "at den-2, tells reversed polarity from open ground" */
  readonly whyNext: (next: NextTest) => string;
  /** Of a reading that does not fit the others. */
  readonly testAgain: string;
}

/** What `fairplug diagnose` answers. */
export interface DiagnosisFile {
  readonly format: 'fair-plug/diagnosis@1';
  readonly explanations: readonly {
    readonly faults: readonly Fault[];
    readonly probability: number;
    readonly group: number;
    /** Devices that are not as they should be, where their state was not known. */
    readonly protection?: readonly { readonly at: string; readonly state: string }[];
    readonly loads?: readonly { readonly at: string; readonly watts: number }[];
  }[];
  readonly outlets: readonly {
    readonly id: string;
    readonly condition: string;
    readonly probability: number;
    readonly notRuledOut: readonly string[];
    readonly next?: Omit<NextTest, 'tells'> & { readonly why: string };
  }[];
  readonly localized?: {
    readonly between: readonly [string, string];
    readonly sites: readonly string[];
    readonly words: string;
    readonly boxes: readonly { readonly at: string; readonly probability: number }[];
  };
  /** Every cause of the leading explanation with its place, what does most harm first; `localized` is the first's. */
  readonly causes?: readonly {
    readonly faults: readonly Fault[];
    readonly affected: readonly string[];
    readonly words: string;
  }[];
  /** Metres of conductor from the panel by load tests, the nearest first: the likely order. */
  readonly lengths?: readonly { readonly at: string; readonly meters: number }[];
  /** Readings that do not fit the others: test again. */
  readonly misfits?: readonly {
    readonly reading: number;
    readonly at: string;
    readonly instrument: string;
    readonly why: string;
  }[];
  readonly stoppedEarly?: true;
}

/** Explanations less probable than this are left out of the answer. */
const leastProbability = 1e-5;
const mostExplanations = 100;

const rounded = (value: number): number => Number(value.toPrecision(6));
const withOhmsRounded = (fault: Fault): Fault =>
  fault.kind === 'resistance' ? { ...fault, ohms: rounded(fault.ohms) } : fault;

/** The answer to one input. */
export function diagnosisOf(
  input: DiagnosisInput,
  words: DiagnosisWords,
  limits: SearchLimits = usualLimits,
): DiagnosisFile {
  return input.circuit === null ? oneByOne(input, words) : ofCircuit(input, input.circuit, words, limits);
}

const nextKey = (next: NextTest | null, words: DiagnosisWords) => {
  if (next === null) return {};
  const { tells: _, ...test } = next;
  return { next: { ...test, why: words.whyNext(next) } };
};

function ofCircuit(
  input: DiagnosisInput,
  circuit: Circuit,
  words: DiagnosisWords,
  limits: SearchLimits,
): DiagnosisFile {
  const { unknownLoads, unknownDevices, house, readings, trippedBefore, afterRepair, kit } = input;
  const diagnostician = new Diagnostician({ circuit, unknownLoads, unknownDevices, house });
  const { explanations, outlets, causes, localization, misfits, stoppedEarly } = diagnostician.diagnose(
    { readings, trippedBefore, afterRepair, kit },
    limits,
  );
  return {
    format: 'fair-plug/diagnosis@1',
    explanations: explanations
      .filter(({ probability }, index) => index < mostExplanations && probability >= leastProbability)
      .map(({ hypothesis, fitted: { supposed }, probability, group }) => ({
        faults: supposed.faults.map(withOhmsRounded),
        probability: rounded(probability),
        group,
        ...protectionKey(diagnostician.network, hypothesis.causes),
        ...(unknownLoads && supposed.loads.length > 0
          ? { loads: supposed.loads.map(({ at, watts }) => ({ at, watts: rounded(watts) })) }
          : {}),
      })),
    outlets: outlets.map(({ id, condition, probability, notRuledOut, next }) => ({
      id,
      condition,
      probability: rounded(probability),
      notRuledOut,
      ...nextKey(next, words),
    })),
    ...(localization === null ? {} : { localized: { ...localization, words: words.place(localization) } }),
    ...(causes.length < 2
      ? {}
      : {
          causes: causes.map(({ faults, place, affected }) => ({
            faults: faults.map(withOhmsRounded),
            affected,
            words: place === null ? '' : words.place(place),
          })),
        }),
    ...lengthsKey(readings, circuit.nominalVolts),
    ...(misfits.length === 0
      ? {}
      : {
          misfits: misfits.map(({ position, reading: { at, instrument } }) => ({
            reading: position,
            at,
            instrument,
            why: words.testAgain,
          })),
        }),
    ...(stoppedEarly ? { stoppedEarly: true } : {}),
  };
}

function lengthsKey(readings: readonly Reading[], nominalVolts: number) {
  const lengths = runLengths(readings, nominalVolts);
  return lengths.length < 2
    ? {}
    : { lengths: lengths.map(({ at, meters }) => ({ at, meters: rounded(meters) })) };
}

function protectionKey(
  { devices }: Network,
  causes: readonly { readonly device: { readonly index: number; readonly state: string } | null }[],
) {
  const protection = causes.flatMap(({ device }) =>
    device === null ? [] : [{ at: devices[device.index]?.id ?? '', state: device.state }],
  );
  return protection.length > 0 ? { protection } : {};
}

/** Without a circuit each outlet stands alone; explanations are those of the one that is most probably at fault. */
function oneByOne({ readings, house, kit }: DiagnosisInput, words: DiagnosisWords): DiagnosisFile {
  const byOutlet = new Map<string, Reading[]>();
  for (const reading of readings) byOutlet.set(reading.at, [...(byOutlet.get(reading.at) ?? []), reading]);
  const alone = [...byOutlet].map(([id, own]) => diagnoseLone(id, own, house, kit));
  let groups = 0;
  const explanations = alone.flatMap(({ explanations: here }) => {
    const before = groups;
    groups += Math.max(0, ...here.map(({ group }) => group));
    return here
      .filter(({ probability }) => probability >= 1e-3)
      .map(({ faults, probability, group }) => ({
        faults: faults.map(withOhmsRounded),
        probability: rounded(probability),
        group: before + group,
      }));
  });
  return {
    format: 'fair-plug/diagnosis@1',
    explanations: explanations.toSorted((a, b) => b.probability - a.probability),
    outlets: alone.map(({ id, condition, probability, notRuledOut, next }) => ({
      id,
      condition,
      probability: rounded(probability),
      notRuledOut,
      ...nextKey(next, words),
    })),
  };
}
