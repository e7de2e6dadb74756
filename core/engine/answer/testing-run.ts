import { type Circuit, parseCircuit, runOf } from '../../circuit/index.ts';
import type { Reading } from '../../instruments/index.ts';
import { Diagnostician } from '../index.ts';

/** Outlets of a run by letters, its cables as `w` and the letter of the outlet that they lead to. */
export interface RunOnTest {
  readonly ids: readonly string[];
  readonly wiring: 'through' | 'pigtail';
  readonly meters: { readonly first: number; readonly next: number };
  readonly nominalVolts?: number;
  readonly loads?: readonly object[];
  readonly faults: readonly object[];
  readonly tests: readonly object[];
}

/** A run in 14 AWG copper with what is wrong with it, what is on and what is to be read. */
export function runOnTest({ ids, wiring, meters, ...more }: RunOnTest): Circuit {
  const run = runOf(ids, { meters, cableName: (to) => `w${to}` });
  const outlets = run.outlets.map((outlet) => ({ ...outlet, wiring }));
  const parsed = parseCircuit({ ...run, outlets, ...more });
  if (parsed.kind === 'problems') throw new Error(JSON.stringify(parsed.problems));
  return parsed.value;
}

/** What is told of a circuit at 120 V by what was read on it alone. */
export const toldOf = (circuit: Circuit, readings: readonly Reading[]) =>
  new Diagnostician({
    circuit: { ...circuit, nominalVolts: 120, faults: [], loads: [], tests: [] },
    unknownLoads: true,
    unknownDevices: new Set(),
  }).diagnose({ readings, trippedBefore: [] });
