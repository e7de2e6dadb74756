import type { Circuit } from '../circuit/index.ts';
import { type Diagnosis, runLengths } from '../engine/index.ts';
import type { Fault } from '../faults/index.ts';
import { type ConditionId, conditionIds, conditions } from '../knowledge/index.ts';
import { type FedTogether, readingsOf, type VoltScale } from './circuits.ts';
import type { CircuitExplanation, JudgedCause, JudgedCircuit, JudgedReceptacle } from './judged.ts';
import { kindOfCause } from './kind-of-cause.ts';
import { probabilityOf, suspectsOf } from './suspects.ts';

export const mostExplanations = 5;
/** Explanations less probable than this are not worth a line. */
export const worthALine = 0.01;

/** Behind a leading fault, nothing wrong means that something was misread. */
export const isMisread = (faults: readonly Fault[], place: number): boolean =>
  faults.length === 0 && place > 0;

/** What the engine makes of a circuit. */
export interface CircuitAnswer {
  readonly judged: readonly JudgedReceptacle[];
  readonly circuit: JudgedCircuit;
}

/** Where these are held, tests that would decide something may be forbidden. */
const forbidding: readonly (ConditionId | 'undetermined')[] = [
  'lost-shared-neutral',
  'open-neutral',
  'undetermined',
  ...conditionIds.filter((id) => conditions[id].forbids.length > 0),
];

function unseenOn({ next, outlets, isFinal, stoppedEarly }: Diagnosis): readonly ConditionId[] | null {
  if (next !== null || !isFinal || stoppedEarly) return null;
  if (outlets.some(({ condition }) => forbidding.includes(condition))) return null;
  return conditionIds.filter((id) => outlets.some(({ notRuledOut }) => notRuledOut.includes(id)));
}

/** Explanations of a circuit that are shown beside each other. */
const mostAlternatives = 12;

/** Without what the engine supposes besides, such as what stands at the other leg. */
function explanationOf(
  { hypothesis, fitted, foresight, conditions: here, group, probability }: Diagnosis['explanations'][number],
  place: number,
  receptacles: FedTogether['receptacles'],
  circuit: Circuit,
): CircuitExplanation {
  const { faults, loads } = fitted.supposed;
  const { instruments } = hypothesis;
  return {
    faults,
    loads: loads.filter(({ at }) => receptacles.some(({ id }) => id === at)),
    receptacles: receptacles.flatMap(({ id }, outlet) => (here[outlet] === 'correct' ? [] : [id])),
    instruments,
    isMisread: instruments.length === 0 && isMisread(faults, place),
    isShared: foresight.problem.network.circuit.outlets.some(
      ({ leg }, outlet) => leg !== circuit.outlets[outlet]?.leg,
    ),
    group,
    probability,
    scales: fitted.scales,
  };
}

/** What the engine makes of a circuit, put to its receptacles. */
export function answerOf(
  { breaker, breakers, receptacles }: FedTogether,
  circuit: Circuit,
  diagnosis: Diagnosis,
  scale: VoltScale,
  nominalVolts: number,
): CircuitAnswer {
  const { explanations, outlets, isFinal, stoppedEarly } = diagnosis;
  const all = explanations.map((one, place) => explanationOf(one, place, receptacles, circuit));
  const shown = scale.toShown(diagnosis.table);
  const kinds = diagnosis.causes.map(({ faults }) => kindOfCause(faults));
  const causes: readonly JudgedCause[] = diagnosis.causes.map(({ faults, place, affected }, position) => ({
    id: `${kinds[position]}:${kinds.slice(0, position).filter((one) => one === kinds[position]).length + 1}`,
    faults,
    place,
    receptacles: affected,
    probability: probabilityOf(faults, all),
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
        .map(({ hypothesis: { instruments }, fitted: { supposed }, probability, conditions }, place) => ({
          faults: supposed.faults,
          isTripped: false,
          isMisread: instruments.length === 0 && isMisread(supposed.faults, place),
          instruments,
          probability,
          condition: conditions[index] ?? 'correct',
        })),
      table: shown.filter(({ reading }) => reading.at === outlet.id),
      cause: position === -1 ? null : { breaker, position },
      isFinal,
      isCutShort: stoppedEarly,
    };
  });
  return {
    judged,
    circuit: {
      breaker,
      breakers,
      receptacles: receptacles.map(({ id }) => id),
      circuit,
      explanations: all
        .filter(({ probability }, place) => place === 0 || probability >= worthALine)
        .slice(0, mostAlternatives),
      suspects: suspectsOf(all),
      causes,
      next: diagnosis.next,
      unseen: unseenOn(diagnosis),
      lengths: runLengths(receptacles.flatMap(readingsOf), nominalVolts),
      isFinal,
      stoppedEarly,
    },
  };
}
