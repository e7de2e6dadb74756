import { expect, test } from 'vitest';
import { type Circuit, networkOf, runOf, simulate } from '../../circuit/index.ts';
import type { Test } from '../../instruments/index.ts';
import { conditions } from '../../knowledge/index.ts';
import { OutletConditions } from '../evidence/outlet-conditions.ts';
import { Diagnostician } from '../index.ts';

const ids = ['o1', 'o2', 'o3', 'o4', 'o5', 'o6'];
const fullKit = ['lamps', 'probe', 'meter', 'loaded'] as const;

/**
 * A bad splice in the neutral, and a bond of neutral and ground beyond it: the ground wire carries what the splice does
 * not, so that a load sags the more the worse the splice is, but never by much.
 */
const bridged = (ohms: number): Circuit => {
  const run = runOf(ids, { meters: { first: 11, next: 6 } });
  return {
    ...run,
    outlets: run.outlets.map((one, position) => ({ ...one, wiring: position < 4 ? 'through' : 'pigtail' })),
    cables: run.cables.map((cable) => (cable.to === 'o5' ? { ...cable, from: 'o3' } : cable)),
    loads: [
      { at: 'o2', watts: 166, on: true },
      { at: 'o4', watts: 261, on: true },
    ],
    faults: [
      { kind: 'resistance', conductor: 'neutral', ohms, at: 'o2' },
      { kind: 'bond', conductors: ['neutral', 'ground'], at: 'o4' },
    ],
  };
};

test.each([0.8, 4.3, 60])(
  'a bad splice of %f Ω that a bond bridges: what asks for action is in the list of every receptacle',
  (ohms) => {
    const circuit = bridged(ohms);
    const read = ids.filter((id) => id !== 'o2');
    const tests = [
      ...ids.map((at) => ({ at, instrument: 'lamps' }) as Test),
      ...read.flatMap((at) => fullKit.slice(1).map((instrument) => ({ at, instrument }) as Test)),
    ];
    const { readings } = simulate({ ...circuit, tests });
    const truth = new OutletConditions(networkOf(circuit)).under({ ...circuit, deviceStates: [] });
    const { outlets } = new Diagnostician({
      circuit: { ...circuit, faults: [], loads: [] },
      unknownLoads: true,
      unknownDevices: new Set(),
    }).diagnose({ readings, trippedBefore: [], kit: fullKit });
    outlets.forEach(({ id, condition, notRuledOut, ifMisread }, index) => {
      const holds = truth[index] ?? 'correct';
      if (!conditions[holds].dangerous) return;
      expect([condition, ...notRuledOut, ...ifMisread], `${id}: ${condition}`).toContain(holds);
    });
  },
);
