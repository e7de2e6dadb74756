import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type InstrumentId, instrumentIds } from '../../instruments/index.ts';
import { conditionIds } from '../../knowledge/index.ts';
import { blindSpots } from './blind-spots.ts';

describe('what a kit would read as correct', () => {
  // Common practice; each follows from which differences of potential an instrument sees.
  test('three lamps pass over jumpers, exchanged neutral and ground, and poor connections', () => {
    expect(blindSpots(['lamps'])).toEqual(
      expect.arrayContaining([
        'reversed-bootleg-ground',
        'bootleg-ground',
        'neutral-ground-bond',
        'neutral-ground-swapped',
        'high-resistance',
      ]),
    );
  });

  test('lamps see what changes a difference: reversals and open conductors are no blind spots', () => {
    const blind = blindSpots(['lamps']);
    for (const seen of ['reversed-polarity', 'open-ground', 'open-hot', 'hot-ground-reversed'] as const)
      expect(blind).not.toContain(seen);
  });

  test('a probe takes the live ground from them, a load test the poor connection and the jumper', () => {
    expect(blindSpots(['lamps', 'probe'])).not.toContain('reversed-bootleg-ground');
    const loaded = blindSpots(['lamps', 'loaded']);
    expect(loaded).not.toContain('high-resistance');
    expect(loaded).not.toContain('bootleg-ground');
  });

  test('nothing in hand sees nothing', () => {
    const blind = blindSpots([]);
    for (const one of blindSpots(['lamps'])) expect(blind).toContain(one);
    expect(blind).toContain('open-ground');
    expect(blind).not.toContain('correct');
  });

  test('one more instrument never adds a blind spot, and the most dangerous stands first', () => {
    const kits = fc.uniqueArray(
      fc.constantFrom<InstrumentId>('lamps', 'meter', 'probe', 'loaded', 'earth-meter'),
    );
    fc.assert(
      fc.property(kits, fc.constantFrom(...instrumentIds), (kit, more) => {
        const before = blindSpots(kit);
        const after = blindSpots([...kit, more]);
        for (const one of after) expect(before).toContain(one);
        expect(after).toEqual(conditionIds.filter((id) => after.includes(id)));
      }),
      { numRuns: 12, seed: 4 },
    );
  });
});
