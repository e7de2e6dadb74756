import { describe, expect, test } from 'vitest';
import { runOf, simulate } from '../../circuit/index.ts';
import type { Fault } from '../../faults/index.ts';
import type { InstrumentId, Reading, Test } from '../../instruments/index.ts';
import { diagnoseAlone } from './lone-outlet.ts';

// The run to a receptacle judged by itself is not known: of any length, in the three usual sizes.

const kit: readonly InstrumentId[] = ['lamps', 'probe', 'meter', 'loaded'];
const at = 'b';
/** Metres to the receptacle before it; between them are all that a house has. */
const lengths = [3, 5, 7, 9, 12, 15, 20, 25, 30, 40, 50, 60] as const;
const sizes = [14, 12, 10] as const;

function readAt(meters: number, awg: (typeof sizes)[number], faults: readonly Fault[]): readonly Reading[] {
  const run = runOf(['a', at, 'c'], { meters: { first: meters, next: 4 } });
  const tests = kit.map((instrument) => ({ at, instrument }) as Test);
  const cables = run.cables.map((cable) => ({ ...cable, awg }));
  return simulate({ ...run, cables, faults: [...faults], tests }).readings.map(
    ({ trippedBefore: _, ...shown }) => shown as Reading,
  );
}

const jumper: readonly Fault[] = [
  { kind: 'open', conductor: 'ground', cable: 'c2' },
  { kind: 'bond', conductors: ['neutral', 'ground'], at },
];
const splice: readonly Fault[] = [{ kind: 'resistance', conductor: 'neutral', cable: 'c2', ohms: 1 }];

describe.each(sizes)('%i AWG of any length', (awg) => {
  test.each(lengths)('%i m: a load test proves a ground, and finds a splice of one ohm', (meters) => {
    const sound = diagnoseAlone(at, readAt(meters, awg, []));
    expect(sound.condition).toBe('correct');
    expect(sound.explanations[0]?.probability).toBeGreaterThan(0.98);
    expect(diagnoseAlone(at, readAt(meters, awg, splice)).condition).toBe('high-resistance');
  });

  test('a jumper is the likelier the more the run drops, without a step between one length and the next', () => {
    const shares = lengths.map((meters) =>
      diagnoseAlone(at, readAt(meters, awg, jumper))
        .explanations.filter(({ conditions: [one] }) => one === 'bootleg-ground')
        .reduce((sum, { probability }) => sum + probability, 0),
    );
    expect(shares).toEqual(shares.toSorted((a, b) => a - b));
    expect(shares.at(-1)).toBeGreaterThan(0.75);
    shares.slice(1).forEach((share, before) => {
      expect(share - (shares[before] ?? 0)).toBeLessThan(0.25);
    });
  });
});

test('a jumper leads on the usual 14 AWG from three metres on', () => {
  for (const meters of lengths)
    expect(diagnoseAlone(at, readAt(meters, 14, jumper)).condition).toBe('bootleg-ground');
});
