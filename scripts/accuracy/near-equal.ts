import { networkOf, parseCircuit, runOf } from '@fair-plug/core/circuit';
import { Diagnostician } from '@fair-plug/core/engine';
import { OutletConditions } from '@fair-plug/core/engine/evidence/outlet-conditions.ts';
import type { Test } from '@fair-plug/core/instruments';
import { Random } from './random.ts';
import { dayFrom, readingsFrom } from './world.ts';

/** What was held on circuits whose two legs are loaded alike and share a neutral that is lost or bad. */
export interface NearEqual {
  circuits: number;
  outlets: number;
  /** Outlets whose condition leads. */
  right: number;
  /** Outlets whose condition is neither held nor in a list. */
  excluded: number;
}

/** Two to four outlets, each leg with loads within a tenth of the other's; lamps, meter and probe; loads unknown, and legs where they are said to be. */
export function nearEqual(seed: number, count: number, legs: 'as-written' | 'unknown'): NearEqual {
  const random = new Random(seed);
  const all: NearEqual = { circuits: 0, outlets: 0, right: 0, excluded: 0 };
  while (all.circuits < count) {
    const ids = Array.from({ length: 2 + 2 * random.whole(2) }, (_, index) => `o${index + 1}`);
    const run = runOf(ids, { meters: { first: random.between(8, 25), next: random.between(2, 8) } });
    const watts = Math.exp(random.between(Math.log(15), Math.log(400)));
    const parsed = parseCircuit({
      ...run,
      outlets: run.outlets.map((outlet, index) => ({ ...outlet, leg: index % 2 === 0 ? 'L1' : 'L2' })),
      loads: ids.slice(0, 2).map((at) => ({ at, watts: watts * random.between(0.9, 1.1), on: true })),
      faults: [
        random.chance(0.7)
          ? { kind: 'open', conductor: 'neutral', cable: 'c1' }
          : { kind: 'resistance', conductor: 'neutral', ohms: random.between(5, 100), cable: 'c1' },
      ],
    });
    if (parsed.kind === 'problems') throw new Error('an unsound circuit was made');
    const circuit = parsed.value;
    const tests = ids.flatMap((at) =>
      (['lamps', 'meter', 'probe'] as const).map((instrument) => ({ at, instrument }) as Test),
    );
    const readings = readingsFrom({ ...circuit, tests }, random, dayFrom(random)).map(
      ({ reading }) => reading,
    );
    const known = { ...circuit, faults: [], loads: [], tests: [] };
    const { outlets } = new Diagnostician({
      circuit: legs === 'unknown' ? run : known,
      legs,
      unknownLoads: true,
      unknownDevices: new Set(),
    }).diagnose({ readings, trippedBefore: null });
    const { faults, loads } = circuit;
    const truth = new OutletConditions(networkOf({ ...circuit, faults: [] })).under({
      faults,
      loads,
      deviceStates: [],
    });
    all.circuits += 1;
    outlets.forEach(({ condition, notRuledOut, ifMisread }, index) => {
      const holds = truth[index] ?? 'correct';
      all.outlets += 1;
      if (condition === holds) all.right += 1;
      else if (![...notRuledOut, ...ifMisread].includes(holds)) all.excluded += 1;
    });
  }
  return all;
}
