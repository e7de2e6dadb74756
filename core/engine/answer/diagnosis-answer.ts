import type { Circuit } from '../../circuit/index.ts';
import { type Fault, withOhms } from '../../faults/index.ts';
import type { Reading } from '../../instruments/index.ts';
import type { Network } from '../../physics/index.ts';
import type { SlipKind } from '../evidence/slips.ts';
import type { InstrumentFault } from '../model/instrument-fault.ts';
import { type SearchLimits, usualLimits } from '../search/search.ts';
import type { DiagnosisInput } from './diagnosis-file.ts';
import { Diagnostician, type OutletDiagnosis } from './diagnostician.ts';
import type { Localization } from './localization.ts';
import { diagnoseAlone } from './lone-outlet.ts';
import type { WeighedExplanation } from './posterior.ts';
import { runLengths } from './run-lengths.ts';
import type { NextTest } from './worth.ts';

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
    /** Instruments that do not work under it; a breaker that was another one. */
    readonly instruments?: readonly InstrumentFault[];
    /** Positions of readings held to be wrong, with the slip that explains one where one does. */
    readonly misread?: readonly { readonly reading: number; readonly as?: SlipKind }[];
    /** At the panel, as fitted. */
    readonly supplyVolts?: number;
    /** True where the neutral is shared with another breaker, which the circuit does not say. */
    readonly sharedNeutral?: true;
  }[];
  readonly outlets: readonly {
    readonly id: string;
    readonly condition: string;
    readonly probability: number;
    readonly notRuledOut: readonly string[];
    readonly ifMisread: readonly string[];
    readonly next?: Omit<NextTest, 'tells'> & { readonly why: string };
  }[];
  readonly localized?: {
    readonly between: readonly [string, string];
    readonly sites: readonly string[];
    readonly words: string;
    readonly boxes: readonly { readonly at: string; readonly probability: number }[];
  };
  /** The best test for the circuit as a whole. */
  readonly next?: Omit<NextTest, 'tells'> & { readonly why: string };
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
const withOhmsRounded = (fault: Fault): Fault => withOhms(fault, rounded);

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

const outletKeys = (
  { id, condition, probability, notRuledOut, ifMisread, next }: OutletDiagnosis,
  words: DiagnosisWords,
) => ({ id, condition, probability: rounded(probability), notRuledOut, ifMisread, ...nextKey(next, words) });

function explanationKeys(
  explanation: WeighedExplanation,
  network: Network,
  { nominalVolts, outlets }: Circuit,
  unknownLoads: boolean,
) {
  const { hypothesis, probability, group, foresight } = explanation;
  const { supposed, scales } = explanation.fitted;
  const isShared = foresight.problem.network !== network;
  const loads = supposed.loads.filter(({ at }) => outlets.some(({ id }) => id === at));
  const misread = foresight.misfitsUnder(explanation).map(({ position, wrong }) => ({
    reading: position,
    ...(wrong === 'decimal' || wrong === 'digits' || wrong === 'probes' ? { as: wrong } : {}),
  }));
  return {
    faults: supposed.faults.map(withOhmsRounded),
    probability: rounded(probability),
    group,
    ...protectionKey(network, hypothesis.causes),
    ...(unknownLoads && loads.length > 0
      ? { loads: loads.map(({ at, watts }) => ({ at, watts: rounded(watts) })) }
      : {}),
    ...(hypothesis.instruments.length > 0 ? { instruments: hypothesis.instruments } : {}),
    ...(misread.length > 0 ? { misread } : {}),
    supplyVolts: Number((scales.own * nominalVolts).toPrecision(4)),
    ...(isShared ? { sharedNeutral: true as const } : {}),
  };
}

function ofCircuit(
  input: DiagnosisInput,
  circuit: Circuit,
  words: DiagnosisWords,
  limits: SearchLimits,
): DiagnosisFile {
  const { unknownLoads, unknownDevices, house, readings, trippedBefore, afterRepair, kit, legs } = input;
  const diagnostician = new Diagnostician({ circuit, unknownLoads, unknownDevices, house, legs });
  const { explanations, outlets, causes, localization, misfits, next, stoppedEarly } = diagnostician.diagnose(
    { readings, trippedBefore, afterRepair, kit },
    limits,
  );
  return {
    format: 'fair-plug/diagnosis@1',
    explanations: explanations
      .filter(({ probability }, index) => index < mostExplanations && probability >= leastProbability)
      .map((explanation) => explanationKeys(explanation, diagnostician.network, circuit, unknownLoads)),
    outlets: outlets.map((outlet) => outletKeys(outlet, words)),
    ...nextKey(next, words),
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
  const alone = [...byOutlet].map(([id, own]) => diagnoseAlone(id, own, house, kit));
  let groups = 0;
  const explanations = alone.flatMap(({ explanations: here }) => {
    const before = groups;
    groups += Math.max(0, ...here.map(({ group }) => group));
    return here
      .filter(({ probability }) => probability >= 1e-3)
      .map(({ faults, probability, group, instruments }) => ({
        faults: faults.map(withOhmsRounded),
        probability: rounded(probability),
        group: before + group,
        ...(instruments.length > 0 ? { instruments } : {}),
      }));
  });
  return {
    format: 'fair-plug/diagnosis@1',
    explanations: explanations.toSorted((a, b) => b.probability - a.probability),
    outlets: alone.map((outlet) => outletKeys(outlet, words)),
  };
}
