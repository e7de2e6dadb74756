import { diagnoseAlone, type HouseFacts, type LoneDiagnosis, type NextTest } from '../engine/index.ts';
import type { InstrumentId, Reading } from '../instruments/index.ts';
import { isMisread, mostExplanations, worthALine } from './circuit-judgement.ts';
import { VoltScale } from './circuits.ts';
import type { JudgedReceptacle } from './judged.ts';

/** Stands for whichever receptacle was asked about. */
export const anywhere = 'here';
/** A test that was found for a receptacle standing for any, at one of them. */
const placed = ({ tells, ...test }: NextTest, at: string): NextTest => ({
  ...test,
  at,
  tells: tells.kind === 'condition' ? { ...tells, at } : tells,
});

/** All that the engine goes by at a receptacle, whose readings are as they were shown. */
export interface LoneQuestion {
  readonly readings: readonly Reading[];
  readonly facts: HouseFacts;
  readonly kit: readonly InstrumentId[];
  readonly nominalVolts: number;
  readonly twoLegs: boolean;
}

/** What the engine answers of a receptacle that stands for any. */
export function loneAnswer({ readings, facts, kit, nominalVolts }: LoneQuestion): LoneDiagnosis {
  const scale = new VoltScale(nominalVolts);
  const judged = diagnoseAlone(anywhere, scale.toEngine(readings), facts, kit);
  return { ...judged, table: scale.toShown(judged.table) };
}

/** An answer for any receptacle, put to one of them. */
export function judgedAlone(id: string, answer: LoneDiagnosis): JudgedReceptacle {
  const [hot, neutral, ground] = answer.contacts;
  return {
    ...answer,
    id,
    contacts: { hot, neutral, ground },
    next: answer.next === null ? null : placed(answer.next, id),
    table: answer.table.map(({ reading, predicted, ...rest }) => ({
      ...rest,
      reading: { ...reading, at: id },
      predicted: { ...predicted, at: id },
    })),
    explanations: answer.explanations
      .filter(({ probability }, index) => index === 0 || probability >= worthALine)
      .slice(0, mostExplanations)
      .map(({ faults, tripped, instruments, probability, conditions: [condition = 'correct'] }, place) => ({
        faults,
        isTripped: tripped,
        isMisread: !tripped && instruments.length === 0 && isMisread(faults, place),
        instruments,
        probability,
        condition,
      })),
    cause: null,
    isFinal: true,
    isCutShort: false,
  };
}
