import { describe, expect, test } from 'vitest';
import { circuitShape, runOf } from '../circuit/index.ts';
import { type FaultEffect, operationOf, Solver, type WiredFault, wiredNetwork } from '../physics/index.ts';
import { type Fault, faultKinds, faultOdds, faultSchema, isSameSpot, suspicions } from './index.ts';

const box = { at: 'a', groundArrives: true, onlyCable: 'c1', cable: 'c1' };

describe('kinds of faults', () => {
  const suspected = [
    ...suspicions((kind) => kind.inConductor?.('hot', {}, { cable: 'c1' })),
    ...suspicions((kind) => kind.inConductor?.('neutral', {}, { at: 'a' })),
    ...suspicions((kind) => kind.inConductor?.('ground', {}, { at: 'a' })),
    ...suspicions((kind) => kind.inAllHots?.({ cable: 'c1' })),
    ...suspicions((kind) => kind.between?.(['hot', 'neutral'], {}, { at: 'a' })),
    ...suspicions((kind) => kind.between?.(['hot', 'neutral'], {}, { cable: 'c1' })),
    ...suspicions((kind) => kind.between?.(['hot', 'ground'], {}, { cable: 'c1' })),
    ...suspicions((kind) => kind.between?.(['neutral', 'ground'], {}, { at: 'a' })),
    ...suspicions((kind) => kind.inBox?.(box)),
    ...suspicions((kind) => kind.atDevice?.(box)),
  ];

  test('whatever is suspected has odds, and whatever has odds is suspected somewhere', () => {
    expect([...new Set(suspected.map(({ prior }) => prior))].sort()).toEqual(Object.keys(faultOdds).sort());
    for (const odds of Object.values(faultOdds)) expect(odds).toBeGreaterThan(0);
  });

  test('what is suspected is what a circuit file may hold', () => {
    for (const { faults } of suspected)
      for (const fault of faults) expect(faultSchema.parse(fault)).toEqual(fault);
  });

  test('every kind is suspected, does something to a network, and says where it is mended', () => {
    for (const [kind, { conduct, exchanged, joined, nearerPanel }] of Object.entries(faultKinds)) {
      expect(suspected.some(({ faults }) => faults.some((fault) => fault.kind === kind))).toBe(true);
      expect(conduct ?? exchanged ?? joined).toBeDefined();
      expect(nearerPanel).toBeGreaterThanOrEqual(0);
      expect(nearerPanel).toBeLessThanOrEqual(1);
    }
  });

  test('a conductor that is open and has a poor connection is one spot; an exchange of it is another', () => {
    const open: Fault = { kind: 'open', conductor: 'hot', cable: 'c1' };
    const poor: Fault = { kind: 'resistance', conductor: 'hot', leg: 'L1', ohms: 2, cable: 'c1' };
    expect(isSameSpot(open, poor)).toBe(true);
    expect(isSameSpot(open, { ...poor, cable: 'c2' })).toBe(false);
    expect(isSameSpot(open, { kind: 'swap', conductors: ['hot', 'neutral'], cable: 'c1' })).toBe(false);
  });

  test('a leg that an outlet has not is passed over in its box, and minded in a cable', () => {
    const parsed = circuitShape.parse(runOf(['a'], { meters: { first: 10, next: 10 } }));
    const voltsWith = (fault: Fault): number => {
      const solver = new Solver(wiredNetwork(parsed, faultKinds));
      solver.operate({ ...operationOf(solver.network), faults: [fault] });
      return Math.hypot(...hotVolts(solver));
    };
    expect(voltsWith({ kind: 'open', conductor: 'hot', leg: 'L2', at: 'a' })).toBeLessThan(30);
    expect(voltsWith({ kind: 'open', conductor: 'hot', leg: 'L2', cable: 'c1' })).toBeGreaterThan(119);
  });
});

const hotVolts = ({ network, voltsRe, voltsIm }: Solver): readonly [number, number] => {
  const hot = network.outlets[0]?.contact.hot ?? -1;
  return [voltsRe[hot] ?? Number.NaN, voltsIm[hot] ?? Number.NaN];
};

test('the physics takes a kind of fault that it never heard of', () => {
  // A hot that heats up with a thousand ohms in it, whatever it was before.
  const scorched: FaultEffect = {
    conduct(_, wire, path) {
      if (wire === 'L1') path.ohms += 1000;
    },
  };
  const circuit = runOf(['a'], { meters: { first: 10, next: 10 } });
  const faults: readonly WiredFault[] = [{ kind: 'scorched', cable: 'c1' }];
  const loads = [{ at: 'a', watts: 14.4, on: true }];
  const network = wiredNetwork({ ...circuit, loads, faults }, { ...faultKinds, scorched });
  const solver = new Solver(network);
  solver.operate(operationOf(network));
  // 14.4 W at 120 V are 1000 Ω: half of the volts are left.
  expect(Math.hypot(...hotVolts(solver))).toBeCloseTo(60, 0);
});
