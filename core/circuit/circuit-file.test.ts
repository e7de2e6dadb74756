import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { problemInWords } from '../words/index.ts';
import { type CircuitInput, circuitInput } from './arbitrary-circuit.ts';
import { netlist, parseCircuit, parseReadings, simulate } from './index.ts';

const cable = (id: string, from: string, to: string, extra: object = {}) => ({
  id,
  from,
  to,
  meters: 5,
  metal: 'copper',
  awg: 14,
  ...extra,
});
const sound = {
  format: 'fair-plug/circuit@1',
  outlets: [{ id: 'a' }, { id: 'b' }],
  cables: [cable('c1', 'panel', 'a'), cable('c2', 'a', 'b')],
};

function firstProblem(input: unknown): string {
  const parsed = parseCircuit(input);
  return parsed.kind === 'parsed' ? 'sound' : problemInWords(parsed.problems[0]);
}

describe('the circuit file', () => {
  test('what is left out is filled in', () => {
    const parsed = parseCircuit(sound);
    expect(parsed).toMatchObject({
      kind: 'parsed',
      value: { nominalVolts: 120, hertz: 60, sourceOhms: 0.05, celsius: 20, faults: [], loads: [] },
    });
  });

  const outlets = (...ids: string[]) => ids.map((id) => ({ id }));
  const wrong: readonly (readonly [what: string, change: object, message: string])[] = [
    ['an unknown key', { colour: 1 }, '/colour: unknown key (1)'],
    [
      'a negative length',
      { cables: [cable('c1', 'panel', 'a', { meters: -3 })] },
      '/cables/0/meters: expected number above 0 (-3)',
    ],
    [
      'an infinite length',
      { cables: [cable('c1', 'panel', 'a', { meters: Number.POSITIVE_INFINITY })] },
      '/cables/0/meters: ',
    ],
    ['0 watts', { loads: [{ at: 'a', watts: 0 }] }, '/loads/0/watts: expected number above 0 (0)'],
    [
      'an outlet called panel',
      { outlets: outlets('panel') },
      '/outlets/0/id: an outlet cannot be called "panel"',
    ],
    [
      'two outlets of one name',
      { outlets: outlets('a', 'b', 'b') },
      '/outlets/2/id: an outlet of that name is listed already ("b")',
    ],
    [
      'a cable from nowhere',
      { cables: [cable('c1', 'attic', 'a')] },
      '/cables/0/from: no outlet of that name',
    ],
    [
      'an outlet without a cable',
      { outlets: outlets('a', 'b', 'z') },
      '/outlets/2: no run of cables leads here',
    ],
    [
      'two outlets that feed each other',
      {
        outlets: outlets('a', 'b', 'y', 'z'),
        cables: [...sound.cables, cable('c3', 'y', 'z'), cable('c4', 'z', 'y')],
      },
      '/outlets/2: no run of cables leads here',
    ],
    [
      'both sizes of a cable',
      { cables: [cable('c1', 'panel', 'a', { mm2: 2.5 }), sound.cables[1]] },
      '/cables/0: expected either awg or mm2',
    ],
    [
      'two devices at one outlet',
      { protection: ['gfci', 'rcd'].map((kind) => ({ at: 'a', kind, covers: 'outlet' })) },
      '/protection/1/at: there is a device at this outlet already ("a")',
    ],
    [
      'a fault at two places',
      { faults: [{ kind: 'open', conductor: 'hot', at: 'a', cable: 'c1' }] },
      '/faults/0: expected either cable or at',
    ],
    [
      'a fault on no cable',
      { faults: [{ kind: 'open', conductor: 'hot', cable: 'c9' }] },
      '/faults/0/cable: no cable of that name ("c9")',
    ],
    ['a fault of no kind', { faults: [{ kind: 'rust', at: 'a' }] }, '/faults/0/kind: '],
    [
      'an exchange of a conductor with itself',
      { faults: [{ kind: 'swap', conductors: ['hot', 'hot'], at: 'a' }] },
      '/faults/0/conductors: expected two different conductors',
    ],
    [
      'a test nowhere',
      { tests: [{ at: 'z', instrument: 'lamps' }] },
      '/tests/0/at: no outlet of that name ("z")',
    ],
    [
      'the own button of no device',
      { tests: [{ at: 'a', instrument: 'own-button' }] },
      '/tests/0/at: no protection device here whose button could be pressed',
    ],
    [
      'a ring that does not begin at the panel',
      {
        outlets: outlets('a', 'b', 'c'),
        cables: [...sound.cables, cable('c3', 'a', 'c'), cable('c4', 'b', 'c')],
      },
      '/cables/3/to: a ring must begin and end at the panel ("c")',
    ],
    [
      'a ring of two legs',
      {
        outlets: [{ id: 'a' }, { id: 'b', leg: 'L2' }],
        cables: [...sound.cables, cable('c3', 'panel', 'b')],
      },
      '/cables/2/to: a ring is fed by one leg',
    ],
  ];
  test.each(wrong)('%s is named with its path', (_what, change, message) => {
    expect(
      firstProblem({ ...sound, ...change }).startsWith(message),
      firstProblem({ ...sound, ...change }),
    ).toBe(true);
  });

  test.each([null, 3, 'text', [], {}])('%j is no circuit', (input) => {
    expect(parseCircuit(input).kind).toBe('problems');
    expect(parseReadings(input).kind).toBe('problems');
  });

  test('2,000 outlets in one run are solved', () => {
    const ids = Array.from({ length: 2000 }, (_, index) => `o${index}`);
    const long = parseCircuit({
      format: 'fair-plug/circuit@1',
      outlets: ids.map((id) => ({ id })),
      cables: ids.map((id, index) =>
        cable(`c${index}`, index === 0 ? 'panel' : `o${index - 1}`, id, { meters: 0.01 }),
      ),
      tests: [{ at: 'o1999', instrument: 'lamps' }],
    });
    if (long.kind === 'problems') throw new Error(problemInWords(long.problems[0]));
    expect(simulate(long.value).readings).toMatchObject([{ hn: 'lit', hg: 'lit', ng: 'off' }]);
  });
});

/** A place in a file and what is put there instead. */
const mutation = fc.tuple(
  fc.array(fc.nat(), { minLength: 1, maxLength: 5 }),
  fc.oneof(fc.jsonValue(), fc.constantFrom(-1, 0, 1e300, 'panel', 'o1', null)),
);

function mutated(file: CircuitInput, [way, value]: readonly [readonly number[], unknown]): unknown {
  const copy = structuredClone(file);
  let node: unknown = copy;
  way.forEach((step, index) => {
    if (typeof node !== 'object' || node === null) return;
    const keys = Object.keys(node);
    const key = keys[step % Math.max(1, keys.length)];
    if (key === undefined) return;
    const children = node as Record<string, unknown>;
    const child = children[key];
    if (index === way.length - 1 || typeof child !== 'object' || child === null)
      children[key] = structuredClone(value);
    else node = child;
  });
  return copy;
}

describe('a damaged file', () => {
  test('is either sound all the same, and then simulated, or refused with paths', () => {
    fc.assert(
      fc.property(circuitInput, fc.array(mutation, { minLength: 1, maxLength: 3 }), (file, mutations) => {
        const damaged = mutations.reduce<unknown>((so, one) => mutated(so as CircuitInput, one), file);
        const parsed = parseCircuit(damaged);
        if (parsed.kind === 'problems') {
          for (const problem of parsed.problems) expect(problemInWords(problem)).toMatch(/^\/.*: ./s);
          return;
        }
        expect(netlist(parsed.value)).toContain('.end');
        for (const reading of simulate(parsed.value).readings)
          for (const figure of Object.values(reading))
            if (typeof figure === 'number') expect(Number.isFinite(figure)).toBe(true);
      }),
      { numRuns: 1500 },
    );
  });
});
