import { expect, test } from 'vitest';
import { networkOf, parseCircuit, runOf } from '../../circuit/index.ts';
import type { Fault } from '../../faults/index.ts';
import type { ConditionId } from '../../knowledge/index.ts';
import type { DeviceState } from '../../physics/index.ts';
import { OutletConditions } from './outlet-conditions.ts';

const run = runOf(['a', 'b', 'c'], { meters: { first: 12, next: 4 } });

function conditionsOf(
  more: object,
  faults: readonly Fault[],
  deviceStates: readonly DeviceState[] = [],
): readonly ConditionId[] {
  const parsed = parseCircuit({ ...run, ...more });
  if (parsed.kind === 'problems') throw new Error(JSON.stringify(parsed));
  return new OutletConditions(networkOf(parsed.value)).under({ faults, loads: [], deviceStates });
}

test('neutral and ground exchanged in a cable: so are all beyond; in a ring both are joined, and none is exchanged', () => {
  const exchanged: readonly Fault[] = [{ kind: 'swap', conductors: ['neutral', 'ground'], cable: 'c2' }];
  expect(conditionsOf({}, exchanged)).toEqual([
    'correct',
    'neutral-ground-swapped',
    'neutral-ground-swapped',
  ]);
  const [first] = run.cables;
  const back = { ...first, id: 'back', to: 'c' };
  expect(conditionsOf({ cables: [...run.cables, back] }, exchanged)).toEqual([
    'correct',
    'correct',
    'correct',
  ]);
});

test('behind a device that opens the neutral alone a hot is live without it; behind one that opened both all is off', () => {
  const protection = [{ at: 'a', kind: 'gfci', covers: 'downstream', state: 'set' }];
  const behind = (state: DeviceState): ConditionId | undefined =>
    conditionsOf({ protection }, [], [state]).at(-1);
  expect(behind('lockedOutLeavingHot')).toBe('open-neutral');
  expect(behind('tripped')).toBe('protection-tripped');
  expect(behind('set')).toBe('correct');
});
