import { type Fault, hasOhms } from '../../faults/index.ts';
import type { DeviceState, Network } from '../../physics/index.ts';
import { type Cause, clash, type Habit } from './cause.ts';
import type { InstrumentFault } from './instrument-fault.ts';

/** Some causes held to be there together, and nothing else. */
export interface Hypothesis {
  /** In the order of their indices. */
  readonly causes: readonly Cause[];
  readonly key: string;
  /** Log odds against a sound circuit. */
  readonly logPrior: number;
  readonly faults: readonly Fault[];
  /** Positions among the faults of those whose ohms are to be fitted. */
  readonly resistances: readonly number[];
  readonly deviceStates: readonly DeviceState[];
  /** Instruments that do not work. */
  readonly instruments: readonly InstrumentFault[];
}

/** The hypothesis that nothing is wrong, with devices in the states that the circuit file gives. */
export const soundHypothesis = ({ circuit }: Network): Hypothesis => ({
  causes: [],
  key: '',
  logPrior: 0,
  faults: [],
  resistances: [],
  deviceStates: circuit.protection.map(({ state }) => state),
  instruments: [],
});

/**
 * Logarithm of the odds of some causes together: each by itself; or many as what one hand did, who left them at so
 * many of the boxes and not at the rest.
 */
function logPriorOf(causes: readonly Cause[]): number {
  let sum = 0;
  const byHabit = new Map<
    string,
    { readonly habit: Habit; count: number; logOdds: number; logParts: number }
  >();
  for (const { habit, logOdds } of causes) {
    sum += logOdds;
    if (habit === null) continue;
    const before = byHabit.get(habit.id);
    if (before === undefined)
      byHabit.set(habit.id, { habit, count: 1, logOdds, logParts: Math.log(habit.part) });
    else {
      before.count += 1;
      before.logOdds += logOdds;
      before.logParts += Math.log(habit.part);
    }
  }
  for (const { habit, count, logOdds, logParts } of byHabit.values()) {
    if (count < 2) continue;
    const asHabit =
      habit.logOdds +
      logParts +
      count * Math.log(habit.share) +
      (habit.boxes - count) * Math.log(1 - habit.share);
    sum += Math.max(0, asHabit - logOdds) + Math.log1p(Math.exp(-Math.abs(asHabit - logOdds)));
  }
  return sum;
}

const hypothesisOf = (causes: readonly Cause[], known: readonly DeviceState[]): Hypothesis => {
  const faults = causes.flatMap((cause) => cause.faults);
  const deviceStates = [...known];
  for (const { device } of causes) if (device !== null) deviceStates[device.index] = device.state;
  return {
    causes,
    key: causes.map(({ index }) => index).join('+'),
    logPrior: logPriorOf(causes),
    faults,
    resistances: faults.flatMap((fault, position) => (hasOhms(fault) ? [position] : [])),
    deviceStates,
    instruments: causes.flatMap(({ instrument }) => instrument ?? []),
  };
};

/** One cause more, or null where it cannot be told apart from what is there already or contradicts it. */
export function withCause(hypothesis: Hypothesis, cause: Cause): Hypothesis | null {
  if (hypothesis.causes.some((other) => other.index === cause.index || clash(other, cause))) return null;
  const causes = [...hypothesis.causes, cause].sort((a, b) => a.index - b.index);
  return hypothesisOf(causes, hypothesis.deviceStates);
}

/** Without some of its causes: what is left of it once they are repaired. `known` are the devices' states without them. */
export const withoutCauses = (
  hypothesis: Hypothesis,
  gone: (cause: Cause) => boolean,
  known: readonly DeviceState[],
): Hypothesis =>
  hypothesisOf(
    hypothesis.causes.filter((cause) => !gone(cause)),
    known,
  );

/** The faults with the ohms of those to be fitted put in. */
export function faultsWith({ faults, resistances }: Hypothesis, ohms: ArrayLike<number>): readonly Fault[] {
  if (resistances.length === 0) return faults;
  return faults.map((fault, position) => {
    const which = resistances.indexOf(position);
    return which !== -1 && hasOhms(fault) ? { ...fault, ohms: ohms[which] ?? fault.ohms } : fault;
  });
}
