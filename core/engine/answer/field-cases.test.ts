import { describe, expect, test } from 'vitest';
import type { CircuitInput } from '../../circuit/arbitrary-circuit.ts';
import { parseCircuit, simulate } from '../../circuit/index.ts';
import type { Fault } from '../../faults/index.ts';
import {
  type InstrumentId,
  type LampPattern,
  lampsOf,
  type Reading,
  type Test,
} from '../../instruments/index.ts';
import { enUs } from '../../words/index.ts';
import { Diagnostician, likelyGroups, lostServiceNeutral, runLengths } from '../index.ts';
import { diagnoseAlone } from './lone-outlet.ts';

// Longer than other files: a case for each way in which readings mislead, a few lines each.

// Facts of the trade are marked "common practice"; what follows from the model is computed from it.

type Extra = Partial<Omit<CircuitInput, 'format'>>;

function run(outlets: number, extra: Extra = {}) {
  const ids = Array.from({ length: outlets }, (_, index) => `den-${index + 1}`);
  const parsed = parseCircuit({
    format: 'fair-plug/circuit@1',
    outlets: ids.map((id) => ({ id })),
    cables: ids.map((to, index) => ({
      id: `c${index + 1}`,
      from: index === 0 ? 'panel' : `den-${index}`,
      to,
      meters: index === 0 ? 14 : 4,
      metal: 'copper',
      awg: 14,
    })),
    ...extra,
  });
  if (parsed.kind === 'problems') throw new Error(JSON.stringify(parsed.problems));
  return parsed.value;
}

interface Asked {
  readonly extra?: Extra;
  readonly instruments?: readonly InstrumentId[];
  readonly unknownLoads?: boolean;
  readonly state?: Test['state'];
}

function readingsOn(outlets: number, faults: readonly Fault[], { extra = {}, instruments, state }: Asked) {
  const ids = Array.from({ length: outlets }, (_, index) => `den-${index + 1}`);
  const tests = ids.flatMap((at) =>
    (instruments ?? ['lamps', 'meter', 'probe', 'loaded']).map(
      (instrument) => ({ at, instrument, ...(state === undefined ? {} : { state }) }) as Test,
    ),
  );
  return simulate(run(outlets, { ...extra, faults: [...faults], tests }));
}

function diagnosed(outlets: number, faults: readonly Fault[], asked: Asked = {}) {
  const { readings, trippedBefore = [] } = readingsOn(outlets, faults, asked);
  const { loads: _, ...rest } = asked.extra ?? {};
  const known = asked.unknownLoads ? rest : (asked.extra ?? {});
  const diagnostician = new Diagnostician({
    circuit: run(outlets, known),
    unknownLoads: asked.unknownLoads === true,
    unknownDevices: new Set(),
  });
  return diagnostician.diagnose({ readings, trippedBefore });
}

const lamps = (at: string, pattern: LampPattern): Reading => ({
  at,
  instrument: 'lamps',
  ...lampsOf(pattern),
});
const open = (conductor: 'hot' | 'neutral' | 'ground', site: object): Fault =>
  ({ kind: 'open', conductor, ...site }) as Fault;

describe('the worked cases of the trade, from readings back to the cause', () => {
  test('an open neutral with a lamp on downstream reads as hot and ground reversed, and is found in its cable', () => {
    const { outlets, explanations, localization } = diagnosed(3, [open('neutral', { cable: 'c2' })], {
      extra: { loads: [{ at: 'den-3', watts: 60 }] },
      unknownLoads: true,
    });
    expect(outlets.map(({ condition }) => condition)).toEqual(['correct', 'open-neutral', 'open-neutral']);
    expect(explanations[0]?.fitted.supposed.faults).toEqual([open('neutral', { cable: 'c2' })]);
    expect(localization?.between).toEqual(['den-1', 'den-2']);
    expect(localization?.sites).toEqual(['cable c2']);
  });

  test('loads off and read again: the second lamp goes out, and both states together still say open neutral', () => {
    const fault = [open('neutral', { cable: 'c2' })];
    const extra = { loads: [{ at: 'den-3', watts: 60 }] };
    const on = readingsOn(3, fault, { extra, instruments: ['lamps'] }).readings;
    const off = readingsOn(3, fault, { extra, instruments: ['lamps'], state: { loadsOff: true } }).readings;
    const diagnostician = new Diagnostician({
      circuit: run(3),
      unknownLoads: true,
      unknownDevices: new Set(),
    });
    const before = diagnostician.diagnose({ readings: on, trippedBefore: [] });
    const after = diagnostician.diagnose({ readings: [...on, ...off], trippedBefore: [] });
    expect(before.outlets[1]?.notRuledOut).toContain('hot-ground-reversed');
    expect(after.outlets[1]?.condition).toBe('open-neutral');
    const doubtOf = ({ outlets }: typeof after): number =>
      outlets[1]?.doubts[outlets[1].notRuledOut.indexOf('hot-ground-reversed')] ?? 0;
    expect(doubtOf(after)).toBeLessThan(doubtOf(before) / 3);
  });

  test('the probe settles it: ground sounds and the slots are silent, a real reversal of hot and ground', () => {
    const reading = lamps('x', 'hg-ng');
    const alone = diagnoseAlone('x', [reading]);
    expect(alone.condition).toBe('open-neutral');
    expect(alone.notRuledOut).toContain('hot-ground-reversed');
    const probed: Reading = { at: 'x', instrument: 'probe', hot: false, neutral: false, ground: true };
    expect(diagnoseAlone('x', [reading, probed]).condition).toBe('hot-ground-reversed');
  });

  test('a reversed bootleg reads correct on lamps and meter, and only the probe tells', () => {
    const faults: Fault[] = [
      open('ground', { at: 'den-2' }),
      { kind: 'swap', conductors: ['hot', 'neutral'], at: 'den-2' },
      { kind: 'bond', conductors: ['neutral', 'ground'], at: 'den-2' },
    ];
    const unseen = diagnosed(3, faults, { instruments: ['lamps', 'meter'] });
    expect(unseen.outlets[1]?.condition).toBe('correct');
    expect(unseen.outlets[1]?.notRuledOut).toContain('reversed-bootleg-ground');
    expect(unseen.outlets[1]?.next?.instrument).toBe('probe');
    const probed = diagnosed(3, faults, { instruments: ['lamps', 'meter', 'probe'] });
    expect(probed.outlets[1]?.condition).toBe('reversed-bootleg-ground');
  });

  test('a load test tells a bootleg from a ground: neutral to ground stays at nought', () => {
    const { outlets, explanations } = diagnosed(3, [
      open('ground', { at: 'den-3' }),
      { kind: 'bond', conductors: ['neutral', 'ground'], at: 'den-3' },
    ]);
    expect(outlets[2]?.condition).toBe('bootleg-ground');
    expect(explanations[0]?.hypothesis.causes).toHaveLength(1);
  });

  test('an open ground hides a reversal; meter and probe bring both out', () => {
    const { outlets } = diagnosed(3, [
      open('ground', { at: 'den-2' }),
      { kind: 'swap', conductors: ['hot', 'neutral'], at: 'den-2' },
    ]);
    expect(outlets[1]?.condition).toBe('reversed-polarity');
  });

  test('dark where there is no ground is not called dead: the neutral may be open and the narrow slot live', () => {
    const { outlets } = diagnosed(3, [open('neutral', { cable: 'c2' }), open('ground', { cable: 'c2' })], {
      instruments: ['lamps'],
    });
    expect(outlets[1]?.condition).not.toBe('correct');
    expect([outlets[1]?.condition, ...(outlets[1]?.notRuledOut ?? [])]).toContain('open-neutral');
    expect(diagnoseAlone('x', [lamps('x', 'none')]).notRuledOut).toContain('open-neutral');
  });

  test('two legs on one lost neutral: volts add to 240, and it is named', () => {
    const { outlets } = diagnosed(2, [open('neutral', { cable: 'c1' })], {
      extra: {
        outlets: [{ id: 'den-1' }, { id: 'den-2', leg: 'L2' }],
        loads: [
          { at: 'den-1', watts: 600 },
          { at: 'den-2', watts: 60 },
        ],
      },
      unknownLoads: true,
    });
    expect(outlets.map(({ condition }) => condition)).toEqual(['lost-shared-neutral', 'lost-shared-neutral']);
    expect(diagnoseAlone('x', [lamps('x', 'all')]).condition).toBe('lost-shared-neutral');
  });

  test('the ohms of a bad splice are found to a hundredth, and its step lies between two neighbours', () => {
    const fault: Fault = { kind: 'resistance', conductor: 'neutral', ohms: 1.2, cable: 'c3' };
    const { explanations, localization } = diagnosed(4, [fault]);
    const [found] = explanations[0]?.fitted.supposed.faults ?? [];
    expect(found).toMatchObject({ kind: 'resistance', conductor: 'neutral', cable: 'c3' });
    expect(found?.kind === 'resistance' && found.ohms).toBeCloseTo(1.2, 2);
    expect(localization && enUs.place(localization)).toBe('between den-2 and den-3; open den-2 first (60 %)');
  });

  test('a failed terminal looks like a cut cable before it: both boxes are named', () => {
    const { localization } = diagnosed(3, [open('hot', { at: 'den-2' })], {
      extra: { outlets: [{ id: 'den-1' }, { id: 'den-2', wiring: 'through' }, { id: 'den-3' }] },
    });
    expect(localization?.sites.toSorted()).toEqual(['cable c2', 'den-2 terminals']);
    expect(localization && enUs.place(localization)).toMatch(
      /^between den-1 and den-2, or in the box of den-2/,
    );
  });

  test('ten receptacles behind one open ground are one cause', () => {
    const { explanations, outlets } = diagnosed(11, [open('ground', { cable: 'c2' })], {
      instruments: ['lamps', 'meter'],
    });
    expect(explanations[0]?.hypothesis.causes).toHaveLength(1);
    expect(outlets.filter(({ condition }) => condition === 'open-ground')).toHaveLength(10);
  });

  test('a device failed, and one tripped, are told by its button where its state is not known', () => {
    const device = { at: 'den-1', kind: 'gfci', covers: 'downstream' } as const;
    for (const [state, condition] of [
      ['failed', 'protection-failed'],
      ['tripped', 'protection-tripped'],
    ] as const) {
      const extra = { protection: [{ ...device, state }] };
      const instruments = ['lamps', 'probe', 'meter'] as const;
      const { readings } = readingsOn(2, [], { extra, instruments });
      const button: Reading = {
        at: 'den-1',
        instrument: 'own-button',
        result: state === 'failed' ? 'nothing' : 'no-power',
      };
      const { outlets } = new Diagnostician({
        circuit: run(2, { protection: [device] }),
        unknownLoads: false,
        unknownDevices: new Set([0]),
      }).diagnose({ readings: [...readings, button], trippedBefore: null });
      expect(outlets[0]?.condition, state).toBe(condition);
    }
  });
});

describe('one reading that is wrong', () => {
  test('one mistyped value does not flip the rest of the house, and is named', () => {
    const { readings } = readingsOn(4, [open('ground', { cable: 'c3' })], {});
    const mistyped = readings.map((reading) =>
      reading.at === 'den-1' && reading.instrument === 'meter' ? { ...reading, hn: 12.04 } : reading,
    );
    const diagnostician = new Diagnostician({
      circuit: run(4),
      unknownLoads: false,
      unknownDevices: new Set(),
    });
    const { outlets, misfits, table } = diagnostician.diagnose({ readings: mistyped, trippedBefore: [] });
    expect(outlets.slice(1).map(({ condition }) => condition)).toEqual([
      'correct',
      'open-ground',
      'open-ground',
    ]);
    expect(misfits.map(({ reading }) => `${reading.at} ${reading.instrument}`)).toEqual(['den-1 meter']);
    expect(table.filter(({ fits }) => !fits)).toHaveLength(1);
    // A stray reading is a doubt about the reading: the receptacle keeps its condition.
    expect(outlets[0]?.condition).toBe('correct');
    expect(misfits[0]?.wrong).toBe('decimal');
  });

  test('a receptacle that nothing was read at is not called correct', () => {
    const diagnostician = new Diagnostician({
      circuit: run(2),
      unknownLoads: false,
      unknownDevices: new Set(),
    });
    const { outlets } = diagnostician.diagnose({ readings: [lamps('den-1', 'hn-hg')], trippedBefore: [] });
    expect(outlets.map(({ condition }) => condition)).toEqual(['correct', 'undetermined']);
  });
});

describe('before and after repair', () => {
  test('what still shows after the repair of one cause points to the other', () => {
    const both: Fault[] = [
      open('ground', { at: 'den-2' }),
      { kind: 'swap', conductors: ['hot', 'neutral'], at: 'den-3' },
    ];
    const { readings } = readingsOn(3, both, { instruments: ['lamps'] });
    const { readings: afterRepair } = readingsOn(3, both.slice(1), { instruments: ['lamps', 'probe'] });
    const { outlets } = new Diagnostician({
      circuit: run(3),
      unknownLoads: false,
      unknownDevices: new Set(),
    }).diagnose({ readings, trippedBefore: [], afterRepair });
    expect(outlets[1]?.condition).toBe('open-ground');
    expect(outlets[2]?.condition).toBe('reversed-polarity');
    expect(outlets[2]?.notRuledOut).not.toContain('energized-ground');
  });
});

describe('what the house says beforehand', () => {
  test('a missing ground in a house wired without is no accident; what reads as one there is more likely a jumper', () => {
    const reading = lamps('x', 'hn-hg');
    const share = (house: Parameters<typeof diagnoseAlone>[2]) => {
      const { notRuledOut, doubts } = diagnoseAlone('x', [reading], house);
      return doubts[notRuledOut.indexOf('bootleg-ground')] ?? 0;
    };
    expect(share({ groundedWiring: false })).toBeGreaterThan(10 * share({ groundedWiring: true }));
    expect(share({ yearBuilt: 1955 })).toBeGreaterThan(2 * share({ yearBuilt: 1995 }));
  });

  test('a recent year is no alibi: nothing dangerous drops out for it', () => {
    const reading = lamps('x', 'hn-hg');
    const recent = diagnoseAlone('x', [reading], { yearBuilt: 2025, groundedWiring: true });
    expect(recent.notRuledOut).toEqual(diagnoseAlone('x', [reading]).notRuledOut);
    expect(recent.notRuledOut).toContain('reversed-bootleg-ground');
  });
});

describe('the next test', () => {
  test('no load test where a ground may be live, no tester’s button on a floating ground', () => {
    const byLamps = diagnosed(3, [], { instruments: ['lamps'] });
    for (const { next } of byLamps.outlets) expect(next?.instrument).not.toBe('loaded');
    const floating = diagnosed(2, [open('ground', { at: 'den-2' })], {
      instruments: ['lamps'],
      extra: { protection: [{ at: 'den-1', kind: 'gfci', covers: 'downstream' }] },
    });
    expect(floating.outlets[1]?.next?.instrument).not.toBe('gfci-button');
  });

  test('after a silent probe and a meter at rest the load test comes, and none through aluminum', () => {
    const copper = diagnosed(2, [], { instruments: ['lamps', 'probe', 'meter'] });
    expect(copper.outlets[0]?.next?.instrument).toBe('loaded');
    const unmetered = diagnosed(2, [], { instruments: ['lamps', 'probe'] });
    expect(unmetered.outlets[0]?.next?.instrument).toBe('meter');
    const cables = run(2).cables.map((cable) => ({ ...cable, metal: 'aluminum' as const }));
    const aluminum = diagnosed(2, [], { instruments: ['lamps', 'probe', 'meter'], extra: { cables } });
    for (const { next } of aluminum.outlets) expect(next?.instrument).not.toBe('loaded');
  });

  test('only what the kit holds is asked for', () => {
    const { readings } = readingsOn(2, [], { instruments: ['lamps'] });
    const { outlets } = new Diagnostician({
      circuit: run(2),
      unknownLoads: false,
      unknownDevices: new Set(),
    }).diagnose({ readings, trippedBefore: [], kit: ['lamps', 'meter'] });
    for (const { next } of outlets) expect(['lamps', 'meter', undefined]).toContain(next?.instrument);
  });
});

describe('over the whole house', () => {
  const meter = (at: string, hn: number, ng = 0.1): Reading => ({ at, instrument: 'meter', hn, hg: hn, ng });
  const circuitOf = (at: string): string => at.split(' ')[0] ?? '';

  test('high on one leg, low on the other, neutral to ground near nought: the service neutral', () => {
    const readings = [meter('a 1', 141), meter('a 2', 140.5), meter('b 1', 99.2), meter('c 1', 98.8)];
    expect(lostServiceNeutral(readings, circuitOf)).toMatchObject({
      high: ['a 1', 'a 2'],
      low: ['b 1', 'c 1'],
    });
  });

  test('one circuit that is low, or volts that do not add up to twice nominal, are not', () => {
    const low = [meter('a 1', 121), meter('a 2', 120), meter('b 1', 99), meter('b 2', 98)];
    expect(lostServiceNeutral(low, circuitOf)).toBeNull();
    const odd = [meter('a 1', 131), meter('a 2', 131), meter('b 1', 80), meter('b 2', 80)];
    expect(lostServiceNeutral(odd, circuitOf)).toBeNull();
  });

  test('a device that tripped by itself says why all is dark: something behind it leaks, no hot is open', () => {
    const extra: Extra = { protection: [{ at: 'den-1', kind: 'gfci', covers: 'downstream' }] };
    const jumper: Fault = { kind: 'bond', conductors: ['neutral', 'ground'], at: 'den-2' };
    const { explanations, outlets } = diagnosed(3, [jumper], { extra });
    const leaks = (faults: readonly Fault[]): boolean => faults.every(({ kind }) => kind === 'bond');
    expect(explanations.length).toBeGreaterThan(0);
    expect(leaks(explanations[0]?.fitted.supposed.faults ?? [])).toBe(true);
    expect(outlets.map(({ condition }) => condition)).toEqual(Array(3).fill('protection-tripped'));
  });

  test('neighbours with one and the same condition are a likely group, over one that reads correct between', () => {
    const walked = ['open-ground', 'correct', 'open-ground', 'correct', 'correct', 'open-ground'] as const;
    const groups = likelyGroups(
      walked.map((condition, index) => ({ id: `r${index}`, condition, isGrouped: false })),
    );
    expect(groups).toEqual([{ condition: 'open-ground', outlets: ['r0', 'r2'] }]);
  });

  test('load tests tell each outlet’s length to the panel, and so the order', () => {
    const { readings } = readingsOn(4, [], { instruments: ['meter', 'loaded'] });
    const lengths = runLengths(readings.toReversed());
    expect(lengths.map(({ at }) => at)).toEqual(['den-1', 'den-2', 'den-3', 'den-4']);
    lengths.forEach(({ meters }, index) => {
      expect(Math.abs(meters - (14 + 4 * index))).toBeLessThan(0.6);
    });
  });
});
