import { type Circuit, networkOf } from '../../circuit/index.ts';
import type { Fault } from '../../faults/index.ts';
import type { Reading } from '../../instruments/index.ts';
import type { Network } from '../../physics/index.ts';
import { type Cause, causesOf, instrumentCauses } from '../model/cause.ts';
import { givenWhatWasSeen, type Inspected } from '../model/inspected.ts';
import { mayShowIn } from '../model/instrument-fault.ts';
import type { HouseFacts } from '../model/priors.ts';
import { ViewMemory } from '../model/view-memory.ts';
import { type Evidence, evidenceOf } from './evidence.ts';
import { fineTolerance, roughTolerance, type Tolerance, toleranceIn } from './likelihood.ts';

/** What is asked: a circuit as far as it is known, and what was read on it. */
export interface Question {
  /** Without faults. */
  readonly circuit: Circuit;
  readonly readings: readonly Reading[];
  /** Devices that tripped by themselves before any instrument was used; null where nobody looked. */
  readonly trippedBefore: readonly string[] | null;
  /** Readings taken after something was repaired. */
  readonly afterRepair?: readonly Reading[];
  readonly house?: HouseFacts;
  /** True where anything may be plugged in anywhere, up to 1,800 W together. */
  readonly unknownLoads: boolean;
  /** Positions in `circuit.protection` of devices whose state is not known. */
  readonly unknownDevices: ReadonlySet<number>;
  /** True where lengths and sizes are guessed. */
  readonly guessed?: boolean;
  /** What was found behind covers, and what was not: taken as given. */
  readonly inspected?: readonly Inspected[];
}

/** A question made ready for the search. */
export interface DiagnosisProblem {
  readonly network: Network;
  readonly causes: readonly Cause[];
  readonly evidence: Evidence;
  readonly memory: ViewMemory;
  readonly unknownLoads: boolean;
  readonly tolerance: Tolerance;
}

const noFaults: readonly Fault[] = [];

/** The parts of a question that its readings do not change, kept from one reading to the next. */
export interface Premises {
  readonly network: Network;
  readonly causes: readonly Cause[];
  readonly memory: ViewMemory;
}

export function premisesOf({
  circuit,
  house = {},
  unknownDevices,
  inspected = [],
}: Pick<Question, 'circuit' | 'house' | 'unknownDevices' | 'inspected'>): Premises {
  const protection = circuit.protection.map((device, index) =>
    unknownDevices.has(index) ? { ...device, state: 'set' as const } : device,
  );
  const network = networkOf({ ...circuit, protection, faults: [...noFaults] });
  const causes = givenWhatWasSeen(causesOf(network, house, unknownDevices), inspected, network);
  return {
    network,
    causes: [...causes, ...instrumentCauses(house, causes.length)],
    memory: new ViewMemory(network),
  };
}

export const problemOf = (question: Question, { network, causes, memory }: Premises): DiagnosisProblem => ({
  network,
  memory,
  // An instrument that was not used fails nowhere.
  causes: causes.filter(
    ({ instrument }) =>
      instrument === null || mayShowIn(instrument, [...question.readings, ...(question.afterRepair ?? [])]),
  ),
  evidence: evidenceOf(network, {
    readings: question.readings,
    trippedBefore: question.trippedBefore,
    afterRepair: question.afterRepair ?? [],
  }),
  unknownLoads: question.unknownLoads,
  tolerance: toleranceIn(question.guessed === true ? roughTolerance : fineTolerance, question.house ?? {}),
});
