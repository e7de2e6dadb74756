import type { Fault } from '../circuit/index.ts';
import { type Diagnosis, placeCode, placeInWords, runLengths } from '../diagnosis/index.ts';
import { causeInWords, kindOfCause } from './causes-in-words.ts';
import { type FedTogether, readingsOf, type VoltScale } from './circuits.ts';
import type { JudgedCause, JudgedCircuit, JudgedReceptacle } from './judged.ts';

export const mostExplanations = 5;
/** Explanations less probable than this are not worth a line. */
export const worthALine = 0.01;

/** Behind a leading fault, "nothing wrong" means that something was misread. */
export const wordsFor = (faults: readonly Fault[], place: number): string =>
  faults.length === 0 && place > 0 ? 'nothing wrong, and a reading mistaken' : causeInWords(faults);

/** What was made of a receptacle or a circuit, and of what. */
export interface Remembered {
  readonly key: string;
  readonly judged: readonly JudgedReceptacle[];
  readonly circuit: JudgedCircuit | null;
}

/** What the engine makes of a circuit, put to its receptacles. */
export function remembered(
  key: string,
  { breaker, receptacles }: FedTogether,
  diagnosis: Diagnosis,
  scale: VoltScale,
  nominalVolts: number,
): Remembered {
  const nameOf = (id: string): string => receptacles.find((one) => one.id === id)?.name ?? id;
  const { explanations, outlets, isFinal, stoppedEarly } = diagnosis;
  const shown = scale.toShown(diagnosis.table);
  const kinds = diagnosis.causes.map(({ faults }) => kindOfCause(faults));
  const causes: readonly JudgedCause[] = diagnosis.causes.map(({ faults, place, affected }, position) => ({
    id: `${kinds[position]}:${kinds.slice(0, position).filter((one) => one === kinds[position]).length + 1}`,
    words: causeInWords(faults),
    where: place === null ? '' : placeInWords(place, nameOf),
    place: place === null ? null : placeCode(place),
    receptacles: affected,
    probability: explanations[0]?.probability ?? 0,
  }));
  const judged = outlets.map((outlet, index): JudgedReceptacle => {
    const [hot, neutral, ground] = outlet.contacts;
    const position = causes.findIndex(({ receptacles: affected }) => affected.includes(outlet.id));
    return {
      ...outlet,
      contacts: { hot, neutral, ground },
      explanations: explanations
        .filter(({ probability }, place) => place === 0 || probability >= worthALine)
        .slice(0, mostExplanations)
        .map(({ fitted: { supposed }, probability, conditions }, place) => ({
          words: wordsFor(supposed.faults, place),
          probability,
          condition: conditions[index] ?? 'correct',
        })),
      table: shown.filter(({ reading }) => reading.at === outlet.id),
      cause: position === -1 ? null : { breaker, position },
      isFinal,
    };
  });
  return {
    key: isFinal ? key : '',
    judged,
    circuit: {
      breaker,
      receptacles: receptacles.map(({ id }) => id),
      causes,
      lengths: runLengths(receptacles.flatMap(readingsOf), nominalVolts),
      isFinal,
      stoppedEarly,
    },
  };
}
