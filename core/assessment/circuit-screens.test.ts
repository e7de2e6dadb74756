import { describe, expect, test } from 'vitest';
import { parseCircuit, simulate } from '../circuit/index.ts';
import { evenly } from '../engine/index.ts';
import type { Fault } from '../faults/index.ts';
import { lampsOf, type Reading, type Shown, type Test } from '../instruments/index.ts';
import { asEntries, idNumber } from '../log/arbitrary-entries.ts';
import { foldHouse, type House, type JobStatement } from '../log/index.ts';
import { reportOn } from '../words/index.ts';
import { assess } from './assessment.ts';
import { cableTo, circuitsOf, guessedCircuit } from './circuits.ts';
import { HouseJudge } from './house-judgement.ts';
import { faultSeen, seenFault } from './inspected-on.ts';
import { openFirstOf } from './open-first.ts';
import { suspectId } from './suspects.ts';
import { comparedUnder, shownUnder, tellingTest } from './what-if.ts';

const room = idNumber(0x20);
const den = [0x30, 0x31, 0x32, 0x33, 0x34, 0x35].map(idNumber) as [
  string,
  string,
  string,
  string,
  string,
  string,
];
const [r1, r2, r3, r4] = den;

const described = (count: number): readonly JobStatement[] => [
  { kind: 'job-described', yearBuilt: 1985, groundedWiring: true },
  { kind: 'room-described', room, name: 'Den' },
  ...den.slice(0, count).map(
    (receptacle, n): JobStatement => ({
      kind: 'receptacle-described',
      receptacle,
      room,
      name: `Den ${n + 1}`,
    }),
  ),
];
const fed = (receptacle: string, place: number, breaker = '7'): JobStatement => ({
  kind: 'receptacle-fed',
  receptacle,
  breaker,
  place,
});
const houseWith = (count: number, ...more: readonly JobStatement[]): House =>
  foldHouse(asEntries([...described(count), ...more]));

/** What was read on a run of four with faults on it, as the model shows it. */
function read(faults: readonly Fault[], tests: readonly Test[] = []): readonly JobStatement[] {
  const run = den.slice(0, 4).map((id, index) => fed(id, index + 1));
  const [together] = circuitsOf(houseWith(4, ...run));
  if (together === undefined) throw new Error('no circuit');
  const lamps = den.slice(0, 4).map((at): Test => ({ at, instrument: 'lamps' }));
  const shown = simulate({ ...guessedCircuit(together), faults: [...faults], tests: [...lamps, ...tests] });
  return [
    ...run,
    ...shown.readings.map(
      ({ at, ...rest }): JobStatement => ({
        kind: 'reading-taken',
        receptacle: at,
        shown: rest as Shown,
      }),
    ),
  ];
}

function judged(house: House) {
  const run = new HouseJudge().judging(house, ['lamps', 'probe', 'meter', 'loaded']);
  for (;;) {
    const step = run.next();
    if (step.done) return assess(house, step.value);
  }
}
const causeIn = (house: House) => {
  const assessment = judged(house);
  const [circuit] = assessment.circuits;
  const [cause] = circuit?.causes ?? [];
  if (circuit === undefined || cause === undefined) throw new Error('nothing is held');
  return { assessment, circuit, cause };
};

describe('how a circuit is taken to be wired', () => {
  const run = [fed(r1, 1), fed(r2, 2), fed(r3, 3)];
  const wired = (...more: readonly JobStatement[]) => {
    const [together] = circuitsOf(houseWith(4, ...run, ...more));
    if (together === undefined) throw new Error('no circuit');
    const circuit = guessedCircuit(together);
    // Whatever was said, it is a circuit that a file may hold.
    expect(parseCircuit(JSON.parse(JSON.stringify(circuit))).kind).toBe('parsed');
    return { together, circuit, from: circuit.cables.map(({ from }) => from) };
  };

  test('one run in its order, until somebody says otherwise', () => {
    expect(wired().from).toEqual(['panel', r1, r2]);
  });

  test('a branch leaves where it was said to; never from what is fed by it', () => {
    expect(wired({ kind: 'branch-taken', receptacle: r3, from: r1 }).from).toEqual(['panel', r1, r1]);
    expect(wired({ kind: 'branch-taken', receptacle: r2, from: r3 }).from).toEqual(['panel', r1, r2]);
    expect(
      wired(
        { kind: 'branch-taken', receptacle: r3, from: r1 },
        { kind: 'branch-taken', receptacle: r3, from: null },
      ).from,
    ).toEqual(['panel', r1, r2]);
  });

  test('a ring comes back to the panel', () => {
    const { circuit } = wired({ kind: 'circuit-described', breaker: '7', ring: true });
    expect(circuit.cables.map(({ from, to }) => [from, to])).toEqual([
      ['panel', r1],
      [r1, r2],
      [r2, r3],
      ['panel', r3],
    ]);
  });

  test('two breakers that share a neutral are one circuit of two legs, whichever it was said of', () => {
    const shares = (breaker: string, other: string): JobStatement => ({
      kind: 'circuit-described',
      breaker,
      sharesWith: other,
    });
    for (const said of [shares('7', '9'), shares('9', '7')]) {
      const { together, circuit, from } = wired(fed(r4, 1, '9'), said);
      expect(together.breakers).toEqual(['7', '9']);
      expect(circuit.outlets.map(({ leg }) => leg)).toEqual(['L1', 'L1', 'L1', 'L2']);
      expect(from).toEqual(['panel', r1, r2, r1]);
    }
    expect(wired(fed(r4, 1, '9'), shares('7', '11')).together).toMatchObject({
      breakers: ['7'],
      isShared: null,
    });
    expect(wired({ kind: 'circuit-described', breaker: '7', sharesWith: null }).together).toMatchObject({
      isShared: false,
    });
  });

  test('with the conductors that the directory has on its breaker', () => {
    const { circuit } = wired({
      kind: 'breaker-described',
      panel: idNumber(0x60),
      position: idNumber(0x61),
      number: '7',
      metal: 'aluminum',
      size: '12',
    });
    expect(circuit.cables[0]).toMatchObject({ metal: 'aluminum', awg: 12 });
  });
});

describe('what was found behind a cover', () => {
  const openNeutral: Fault = { kind: 'open', conductor: 'neutral', cable: cableTo(r3) };
  const house = (...more: readonly JobStatement[]) => houseWith(4, ...read([openNeutral]), ...more);
  const look = (box: string, found: boolean | null, fault: Fault = openNeutral): JobStatement => ({
    kind: 'looked-behind-cover',
    breaker: '7',
    box,
    faults: [seenFault(fault)],
    found,
  });

  test('a fault is seen and read back as the same', () => {
    const all: readonly Fault[] = [
      openNeutral,
      { kind: 'swap', conductors: ['hot', 'neutral'], at: r1 },
      { kind: 'bond', conductors: ['neutral', 'ground'], at: r2 },
      { kind: 'resistance', conductor: 'hot', ohms: 3, cable: cableTo(r2) },
    ];
    for (const fault of all) expect(suspectId(faultSeen(seenFault(fault)))).toBe(suspectId(fault));
  });

  test('found, it is certain, and stands in the evidence of its finding', () => {
    const before = causeIn(house());
    expect(before.cause.faults).toEqual([openNeutral]);
    const { cause, assessment } = causeIn(house(look(r2, true)));
    expect(cause.faults).toEqual([openNeutral]);
    expect(cause.probability).toBeGreaterThan(Math.max(0.999, before.cause.probability));
    const [finding] = reportOn(assessment).findings;
    expect(finding?.proposal?.evidence.at(-1)).toMatchObject({
      receptacle: 'Den 2',
      words: 'Found with the cover off: open neutral',
    });
  });

  test('not found in one box, the other is left; in neither, it is something else', () => {
    const one = causeIn(house(look(r2, false))).cause;
    expect(one.faults).toEqual([openNeutral]);
    expect(one.place?.boxes.map(({ at }) => at)).not.toContain(r2);
    const other = causeIn(house(look(r2, false), look(r3, false)));
    expect(other.cause.faults).not.toEqual([openNeutral]);
    expect(causeIn(house(look(r2, false), look(r2, null))).cause.place?.boxes[0]?.at).toBe(r2);
  });

  test('what somebody saw outweighs what lamps seem to say, and the rest is judged anew', () => {
    const reversed: Fault = { kind: 'swap', conductors: ['hot', 'neutral'], at: r4 };
    const { circuit } = causeIn(
      houseWith(4, ...read([openNeutral, reversed]), look(r2, true), look(r4, true, reversed)),
    );
    expect(circuit.explanations[0]?.faults.map(suspectId).sort()).toEqual(
      [openNeutral, reversed].map(suspectId).sort(),
    );
  });
});

describe('which box to open first', () => {
  const place = (...boxes: readonly (readonly [string, number])[]) => ({
    place: {
      between: [boxes[0]?.[0] ?? '', boxes[0]?.[0] ?? ''] as const,
      sites: [],
      boxes: boxes.map(([at, probability]) => ({ at, probability })),
    },
  });
  const house = houseWith(4, { kind: 'lamps-read', receptacle: r4, lamps: lampsOf('hn-hg') });

  test('the most probable; the only one', () => {
    expect(openFirstOf(house, place([r1, 0.6], [r2, 0.4]))).toMatchObject({ at: r1, because: 'most' });
    expect(openFirstOf(house, place([r2, 1]))).toMatchObject({ at: r2, because: 'alone' });
    expect(openFirstOf(house, { place: null })).toBeNull();
  });

  test('about as probable as another, the nearest to what was read last; the panel is far', () => {
    expect(openFirstOf(house, place([r1, 0.51], [r3, 0.49]))).toMatchObject({ at: r3, because: 'near' });
    expect(openFirstOf(house, place(['panel', 0.5], [r1, 0.5]))).toMatchObject({ at: r1, because: 'near' });
  });
});

describe('what if', () => {
  const openNeutral: Fault = { kind: 'open', conductor: 'neutral', cable: cableTo(r3) };
  const { circuit, assessment } = causeIn(
    houseWith(4, ...read([openNeutral], [{ at: r4, instrument: 'meter-low' }])),
  );
  const sound = { faults: [], loads: [], scales: evenly(1) };
  const broken = { ...sound, faults: [openNeutral] };
  const taken: readonly Reading[] = den
    .slice(0, 4)
    .map((at, index) => ({ at, instrument: 'lamps', ...lampsOf(index < 2 ? 'hn-hg' : 'hg') }));

  test('every reading is held against what is supposed: all fit what is there, two do not fit a sound run', () => {
    expect(comparedUnder(circuit.circuit, broken, taken).every(({ fits }) => fits)).toBe(true);
    expect(
      comparedUnder(circuit.circuit, sound, taken)
        .filter(({ fits }) => !fits)
        .map(({ reading }) => reading.at),
    ).toEqual([r3, r4]);
  });

  test('volts stand as the supply does, in the region’s own', () => {
    const test: readonly Test[] = [{ at: r1, instrument: 'meter' }];
    const [shown] = shownUnder(circuit.circuit, { ...sound, scales: evenly(1.05) }, test, 230);
    expect(shown).toMatchObject({ hn: expect.closeTo(241.5, 1) });
  });

  test('one test tells two suppositions apart, and only where it may be made', () => {
    const openHot = { ...sound, faults: [{ ...openNeutral, conductor: 'hot' } as Fault] };
    const found = tellingTest(circuit.circuit, [broken, openHot], ['probe', 'loaded'], () => true);
    expect(found).toMatchObject({ instrument: 'probe' });
    expect([r3, r4]).toContain(found?.at);
    expect(tellingTest(circuit.circuit, [broken, openHot], ['probe'], () => false)).toBeNull();
    expect(tellingTest(circuit.circuit, [broken, broken], ['probe', 'meter'], () => true)).toBeNull();
  });

  test('the report draws the circuit as a strip, with what is held where it is held', () => {
    const [strip] = reportOn(assessment).circuits ?? [];
    expect(strip?.stops.map(({ before }) => before !== '')).toEqual([false, false, true, false]);
    expect(strip?.stops[2]?.before).toMatch(/^open neutral \(/);
  });
});

test('likely groups that somebody set apart are proposed no longer', () => {
  const lost = den.slice(0, 3).map(
    (receptacle): JobStatement => ({
      kind: 'lamps-read',
      receptacle,
      lamps: lampsOf('hg'),
    }),
  );
  const groupsOf = (...more: readonly JobStatement[]) => judged(houseWith(4, ...lost, ...more)).likelyGroups;
  const [group] = groupsOf();
  expect(group?.outlets).toEqual([r1, r2, r3]);
  const apart = (isApart: boolean): JobStatement => ({
    kind: 'set-apart',
    receptacles: [r1, r2, r3],
    apart: isApart,
  });
  expect(groupsOf(apart(true))).toEqual([]);
  expect(groupsOf(apart(true), apart(false))).toHaveLength(1);
});
