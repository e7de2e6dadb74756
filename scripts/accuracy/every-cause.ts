import { type Circuit, networkOf, parseCircuit, runOf, simulate } from '@fair-plug/core/circuit';
import { Diagnostician } from '@fair-plug/core/engine';
import { OutletConditions } from '@fair-plug/core/engine/evidence/outlet-conditions.ts';
import type { Cause } from '@fair-plug/core/engine/model/cause.ts';
import type { Fault } from '@fair-plug/core/faults';
import type { Test } from '@fair-plug/core/instruments';
import { conditions } from '@fair-plug/core/knowledge';
import { causesIn, isShort } from './world.ts';

/** What was said of circuits with every single cause in turn, read without any error. */
export interface EveryCause {
  circuits: number;
  outlets: number;
  right: number;
  /** Outlets surely called by another condition than holds, less those at which nothing shows which of the two it is. */
  surelyWrong: number;
  falselySafe: number;
  readonly cases: string[];
}

const ids = ['a', 'b', 'c', 'd', 'e'];
const full = ['lamps', 'meter', 'probe', 'loaded'] as const;
/** More than so much is surely said. */
const surely = 0.7;
/** Nothing that is read shows it: neutral and ground are alike as far as the panel, where both are one. The list names it. */
const unseen = 'neutral-ground-swapped';

const soundRun = (wiring: 'through' | 'pigtail', watts: number): Circuit => {
  const run = runOf(ids, { meters: { first: 17, next: 4 } });
  const parsed = parseCircuit({
    ...run,
    outlets: run.outlets.map((outlet) => ({ ...outlet, wiring })),
    loads: watts > 0 ? [{ at: 'd', watts, on: true }] : [],
  });
  if (parsed.kind === 'problems') throw new Error('an unsound circuit was made');
  return parsed.value;
};

function judge(circuit: Circuit, faults: readonly Fault[], volts: number, all: EveryCause): void {
  const tests = ids.flatMap((at) => full.map((instrument) => ({ at, instrument }) as Test));
  const { readings } = simulate({ ...circuit, nominalVolts: volts, faults: [...faults], tests });
  const { outlets } = new Diagnostician({
    circuit: { ...circuit, loads: [] },
    unknownLoads: true,
    unknownDevices: new Set(),
  }).diagnose({ readings, trippedBefore: [] });
  const truth = new OutletConditions(networkOf(circuit)).under({
    faults,
    loads: circuit.loads,
    deviceStates: [],
  });
  all.circuits += 1;
  outlets.forEach(({ id, condition, probability, notRuledOut, ifMisread }, index) => {
    const holds = truth[index] ?? 'correct';
    all.outlets += 1;
    if (condition === holds) all.right += 1;
    const isListed = [...notRuledOut, ...ifMisread].includes(holds);
    const isFalselySafe = condition === 'correct' && conditions[holds].dangerous && !isListed;
    const isSurelyWrong = condition !== holds && probability > surely && holds !== unseen;
    if (isFalselySafe) all.falselySafe += 1;
    if (isSurelyWrong) all.surelyWrong += 1;
    if (isFalselySafe || isSurelyWrong)
      all.cases.push(
        JSON.stringify({ faults, loads: circuit.loads, volts, at: id, holds, condition, probability }),
      );
  });
}

/** Every single cause of five outlets in turn, bad connections with each of these ohms; lamps, meter, probe and load test everywhere. */
export function everyCause(ohms: readonly number[], volts: number): EveryCause {
  const all: EveryCause = { circuits: 0, outlets: 0, right: 0, surelyWrong: 0, falselySafe: 0, cases: [] };
  const withOhms = ({ faults, resistance }: Cause): readonly (readonly Fault[])[] =>
    resistance === -1
      ? [faults]
      : ohms.map((each) =>
          faults.map((fault) => (fault.kind === 'resistance' ? { ...fault, ohms: each } : fault)),
        );
  for (const wiring of ['through', 'pigtail'] as const)
    for (const watts of [0, 60, 250, 600]) {
      const circuit = soundRun(wiring, watts);
      for (const cause of causesIn(circuit)) {
        if (cause.faults.length === 0 || cause.habit !== null || cause.prior === 'short') continue;
        for (const faults of withOhms(cause))
          if (!isShort({ ...circuit, faults: [...faults] })) judge(circuit, faults, volts, all);
      }
    }
  return all;
}
