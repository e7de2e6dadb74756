import { describe, expect, test } from 'vitest';
import { type Circuit, runOf } from '../../circuit/index.ts';
import { lampsOf, type Reading } from '../../instruments/index.ts';
import { Diagnostician } from '../index.ts';

const held = (circuit: Circuit, readings: readonly Reading[]) =>
  new Diagnostician({ circuit, unknownLoads: true, unknownDevices: new Set() }).diagnose({
    readings,
    trippedBefore: null,
  });
const asRead = (at: string, pattern: 'hn-hg' | 'hn-ng' = 'hn-hg'): Reading => ({
  at,
  instrument: 'lamps',
  ...lampsOf(pattern),
});
const inVolts = (at: string, instrument: 'meter' | 'loaded', hn: number, hg: number, ng: number): Reading =>
  instrument === 'meter' ? { at, instrument, hn, hg, ng } : { at, instrument, amps: 12, hn, hg, ng };
/** Only the hot contact makes the probe sound. */
const soundsAtHot = { instrument: 'probe', hot: true, neutral: false, ground: false } as const;

describe('what would show the same is found, wherever the search begins', () => {
  test('loads that a sound circuit was fitted with hide no bad neutral at the panel', () => {
    // 0.21 Ω in the neutral of the first cable; 119 W on at o3, 455 W at o6, which nobody knows of. Read at the end
    // of one branch, the ohms may be in any cable on the way.
    const lengths = [
      ['panel', 'o1', 8.2, 14],
      ['o1', 'o2', 6.5, 14],
      ['o2', 'o3', 2.9, 12],
      ['o3', 'o4', 3, 12],
      ['o4', 'o5', 2, 12],
      ['o2', 'o6', 7.5, 14],
      ['o6', 'o7', 3.6, 14],
    ] as const;
    const run = runOf(['o1', 'o2', 'o3', 'o4', 'o5', 'o6', 'o7'], { meters: { first: 8, next: 3 } });
    const [pattern] = run.cables;
    if (pattern === undefined) throw new Error('a run has cables');
    const cables = lengths.map(([from, to, meters, awg], index) => ({
      ...pattern,
      id: `c${index + 1}`,
      from,
      to,
      meters,
      awg,
    }));
    const { explanations, outlets } = held({ ...run, cables } as Circuit, [
      ...run.outlets.map(({ id }) => asRead(id)),
      { at: 'o5', ...soundsAtHot },
      inVolts('o5', 'meter', 119.29, 120.5, 1.58),
      inVolts('o7', 'meter', 117.59, 119.58, 2.07),
      inVolts('o5', 'loaded', 112.28, 118, 6.1),
      { at: 'o4', ...soundsAtHot },
      inVolts('o4', 'meter', 118.81, 120.5, 1.67),
      inVolts('o4', 'loaded', 111.46, 117.16, 6.22),
    ]);
    const places = explanations
      .filter(({ probability }) => probability > 0.05)
      .flatMap(({ hypothesis: { faults } }) =>
        faults.map((fault) => ('cable' in fault ? fault.cable : fault.at)),
      );
    expect(places).toContain('c1');
    expect(places).toContain('c4');
    for (const { condition, notRuledOut } of outlets)
      expect([condition, ...notRuledOut]).toContain('high-resistance');
  });

  test('one rare cause stands beside two common ones that show the same', () => {
    // A live ground at the last receptacle: a jumper from hot there; or a false ground before it whose hot and neutral
    // are exchanged, and exchanged once more on the way.
    const ids = ['o1', 'o2', 'o3', 'o4'];
    const run = runOf(ids, { meters: { first: 15.6, next: 5 } });
    const outletsOf = run.outlets.map((outlet) =>
      outlet.id === 'o3' ? { ...outlet, wiring: 'through' } : outlet,
    );
    const { outlets } = held({ ...run, outlets: outletsOf } as Circuit, [
      ...ids.slice(0, 3).map((id) => asRead(id)),
      asRead('o4', 'hn-ng'),
      { at: 'o4', ...soundsAtHot, ground: true },
    ]);
    expect(outlets[3]?.condition).toBe('energized-ground');
    expect(outlets[2]?.notRuledOut).toContain('reversed-bootleg-ground');
  });
});
