import { describe, expect, test } from 'vitest';
import { type Circuit, runOf, simulate } from '../../circuit/index.ts';
import { lampsOf, type Reading } from '../../instruments/index.ts';
import { Diagnostician } from '../index.ts';

const held = (circuit: Circuit, readings: readonly Reading[]) =>
  new Diagnostician({ circuit, unknownLoads: true, unknownDevices: new Set() }).diagnose({
    readings,
    trippedBefore: null,
  });
/** Lamps, meter and probe at every outlet, as an ideal meter shows them where the supply stands at so many volts. */
function readOff(circuit: Circuit, supply: number): readonly Reading[] {
  const tests = circuit.outlets.flatMap(({ id: at }) =>
    (['lamps', 'meter', 'probe'] as const).map((instrument) => ({ at, instrument })),
  );
  const read = (volts: number): number => Math.round((volts * supply) / 12) / 10;
  return simulate({ ...circuit, tests }).readings.map((reading) =>
    reading.instrument === 'meter'
      ? { ...reading, hn: read(reading.hn), hg: read(reading.hg), ng: read(reading.ng) }
      : reading,
  );
}

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

  describe('a bad neutral somewhere on a run of six whose supply stands at 111 V', () => {
    const lengths = [21.2, 3.9, 3.8, 6, 7.1, 2.2];
    const guess = runOf(['o1', 'o2', 'o3', 'o4', 'o5', 'o6'], { meters: { first: 20, next: 4 } });
    const run = {
      ...guess,
      outlets: guess.outlets.map((outlet) =>
        ['o1', 'o4'].includes(outlet.id) ? { ...outlet, wiring: 'through' } : outlet,
      ),
      cables: guess.cables.map((cable, index) => ({ ...cable, meters: lengths[index] ?? 4 })),
    } as Circuit;
    // 0.72 Ω at o1; 28 and 62 W are on, which nobody knows of.
    const atRest: readonly Reading[] = [
      ...run.outlets.map(({ id }) => asRead(id)),
      { at: 'o6', ...soundsAtHot },
      inVolts('o6', 'meter', 110.26, 111.36, 0.68),
    ];

    test('the load test that shows it is asked for, not a meter that would show once more what one has shown', () => {
      const { next } = held(run, atRest);
      expect(next).toMatchObject({ at: 'o6', instrument: 'loaded' });
    });

    test('under load it may be in any box or cable on the way, and no receptacle is held to be sound without a word', () => {
      const { outlets, explanations } = held(run, [
        ...atRest,
        inVolts('o5', 'meter', 110.91, 111.19, 0.42),
        inVolts('o4', 'meter', 111.69, 112.15, 0.67),
        inVolts('o6', 'loaded', 98.68, 108.91, 8.96),
      ]);
      for (const { condition, notRuledOut } of outlets)
        expect([condition, ...notRuledOut]).toContain('high-resistance');
      const boxes = explanations.flatMap(({ hypothesis: { faults } }) =>
        faults.flatMap((fault) =>
          fault.kind === 'resistance' && fault.conductor === 'neutral' ? fault : [],
        ),
      );
      for (const at of ['o1', 'o4', 'o6']) expect(boxes).toContainEqual(expect.objectContaining({ at }));
      for (const { id: cable } of run.cables)
        expect(boxes).toContainEqual(expect.objectContaining({ cable }));
    });
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

  const legsAlike = [
    { ids: ['o1', 'o2', 'o3', 'o4'], watts: [138.6, 132.7], supply: 113.8, ohms: 41 },
    { ids: ['b', 'a'], watts: [34.7, 37.5], supply: 116, ohms: 88.7 },
    { ids: ['o1', 'o2', 'o3', 'o4'], watts: [334, 326], supply: 124.5, ohms: null },
    { ids: ['k', 'l', 'm', 'n'], watts: [55, 60], supply: 120, ohms: 12 },
  ] as const;
  test.each(
    legsAlike.flatMap((one) => (['as-written', 'unknown'] as const).map((legs) => ({ ...one, legs }))),
  )('a lost neutral of legs loaded alike, $watts W, legs $legs, stays in the list', (one) => {
    const { ids, watts, supply, ohms, legs } = one;
    const run = runOf([...ids], { meters: { first: 12.5, next: 4.4 } });
    const circuit: Circuit = {
      ...run,
      outlets: run.outlets.map((outlet, index) => ({ ...outlet, leg: index % 2 === 0 ? 'L1' : 'L2' })),
    };
    const cable = { conductor: 'neutral', cable: 'c1' } as const;
    const readings = readOff(
      {
        ...circuit,
        loads: watts.map((each, index) => ({ at: ids[index] ?? '', watts: each, on: true })),
        faults: [ohms === null ? { kind: 'open', ...cable } : { kind: 'resistance', ohms, ...cable }],
      },
      supply,
    );
    const { outlets } = new Diagnostician({
      circuit: legs === 'unknown' ? run : circuit,
      legs,
      unknownLoads: true,
      unknownDevices: new Set(),
    }).diagnose({ readings, trippedBefore: null });
    for (const { condition, notRuledOut } of outlets)
      expect([condition, ...notRuledOut]).toContain('lost-shared-neutral');
  });
});
