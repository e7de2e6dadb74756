import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, test } from 'vitest';
import { fairplug } from './run-in-tests.ts';

const folder = mkdtempSync(join(tmpdir(), 'fair-plug-'));
afterAll(() => rmSync(folder, { recursive: true }));

const circuit = {
  format: 'fair-plug/circuit@1',
  outlets: [{ id: 'den-1' }],
  cables: [{ id: 'c1', from: 'panel', to: 'den-1', meters: 14, metal: 'copper', awg: 14 }],
  tests: [{ at: 'den-1', instrument: 'lamps' }],
};
const lampsLit = { at: 'den-1', instrument: 'lamps', hn: 'lit', hg: 'lit', ng: 'off' };

describe('fairplug', () => {
  test('simulate answers one circuit with one readings file', async () => {
    const { status, stdout } = await fairplug(['simulate', '-'], JSON.stringify(circuit));
    expect(status).toBe(0);
    expect(JSON.parse(stdout)).toEqual({ format: 'fair-plug/readings@1', readings: [lampsLit] });
  });

  test('what is nested far too deep, or far too large, is refused with a message', async () => {
    for (const nested of ['[', '{"a":']) {
      const deep = `${nested.repeat(5000)}1${(nested === '[' ? ']' : '}').repeat(5000)}`;
      for (const command of ['validate', 'simulate', 'diagnose', 'netlist']) {
        const { status, stdout, stderr } = await fairplug([command, '-'], deep);
        expect([status, stdout], `${command} ${nested}`).toEqual([2, '']);
        expect(stderr.length, command).toBeLessThan(2000);
      }
    }
    const ids = Array.from({ length: 301 }, (_, index) => `r${index}`);
    const asked = {
      format: 'fair-plug/readings@1',
      readings: [{ ...lampsLit, at: 'r0' }],
      circuit: {
        format: 'fair-plug/circuit@1',
        outlets: ids.map((id) => ({ id })),
        cables: ids.map((to, index) => ({
          id: `c${index}`,
          from: index === 0 ? 'panel' : `r${index - 1}`,
          to,
          meters: 3,
          metal: 'copper',
          awg: 14,
        })),
      },
    };
    const many = await fairplug(['diagnose', '-'], JSON.stringify(asked));
    expect(many.status).toBe(2);
    expect(many.stderr).toContain('/circuit/outlets: expected array of at most 300');
  });

  test('an array is answered by an array, in order', async () => {
    const dead = { ...circuit, breaker: { amps: 15, on: false } };
    const { stdout } = await fairplug(['simulate', '-'], JSON.stringify([dead, circuit]));
    const [first, second] = JSON.parse(stdout);
    expect(first.readings[0].hn).toBe('off');
    expect(second.readings[0].hn).toBe('lit');
    expect((await fairplug(['simulate', '-'], '[]')).stdout.trim()).toBe('[]');
  });

  test('a file is read from its path; netlist prints a deck', async () => {
    const file = join(folder, 'circuit.json');
    writeFileSync(file, JSON.stringify(circuit));
    const { status, stdout } = await fairplug(['netlist', file]);
    expect(status).toBe(0);
    expect(stdout).toMatch(/^\.ac lin 1 60 60$/m);
    expect(stdout.trimEnd().endsWith('.end')).toBe(true);
  });

  test('validate says nothing of a sound file, of either format', async () => {
    const readings = { format: 'fair-plug/readings@1', readings: [lampsLit] };
    for (const sound of [circuit, readings, [circuit, readings]])
      expect(await fairplug(['validate', '-'], JSON.stringify(sound))).toEqual({
        status: 0,
        stdout: '',
        stderr: '',
      });
  });

  test('verdict answers for a lamp pattern', async () => {
    const { stdout } = await fairplug(['verdict', 'hn-hg']);
    expect(JSON.parse(stdout)).toMatchObject({ readsAs: ['correct'] });
  });

  const bad: readonly [string, readonly string[], string, string][] = [
    ['a wrong value', ['simulate', '-'], JSON.stringify({ ...circuit, hertz: -1 }), '/hertz'],
    [
      'a wrong value in an array',
      ['netlist', '-'],
      JSON.stringify([circuit, { ...circuit, x: 1 }]),
      '/1/x: unknown key',
    ],
    ['another format', ['validate', '-'], '{"format":"circuit@9"}', '/format'],
    ['no object at all', ['validate', '-'], 'null', '/format'],
    ['text that is not JSON', ['simulate', '-'], '{', 'standard input is not JSON'],
    ['a file that is not there', ['simulate', join(folder, 'none.json')], '', 'ENOENT'],
    ['an unknown pattern', ['verdict', 'hx'], '', 'no such pattern'],
    ['no file', ['simulate'], '', 'needs a file'],
    ['an unknown command', ['guess', '-'], '', 'no command "guess"'],
    ['a command named like a property of objects', ['constructor', '-'], '', 'no command'],
  ];
  test.each(bad)(
    '%s: exit 2, the reason on stderr, nothing on stdout',
    async (_what, args, stdin, reason) => {
      const { status, stdout, stderr } = await fairplug(args, stdin);
      expect(status).toBe(2);
      expect(stdout).toBe('');
      expect(stderr).toContain(reason);
      expect(stderr).not.toMatch(/^\s+at /m);
    },
  );
});

describe('fairplug diagnose', () => {
  const readings = {
    format: 'fair-plug/readings@1',
    readings: [{ at: 'den-1', instrument: 'lamps', hn: 'lit', hg: 'off', ng: 'off' }],
  };
  const { tests: _, ...known } = circuit;

  test('answers explanations, outlets with what is not ruled out, and the place', async () => {
    const { status, stdout } = await fairplug(
      ['diagnose', '-'],
      JSON.stringify({ ...readings, circuit: known }),
    );
    expect(status).toBe(0);
    const answer = JSON.parse(stdout);
    expect(answer.format).toBe('fair-plug/diagnosis@1');
    expect(answer.explanations[0].faults[0]).toMatchObject({ kind: 'open', conductor: 'ground' });
    expect(answer.outlets[0]).toMatchObject({ id: 'den-1', condition: 'open-ground' });
    expect(answer.outlets[0].notRuledOut).toContain('reversed-polarity');
    expect(answer.localized.between).toEqual(['panel', 'den-1']);
    expect(answer.localized.sites.toSorted()).toEqual(['cable c1', 'den-1 terminals']);
  });

  test('load tests tell how far each outlet is from the panel', async () => {
    const second = { id: 'c2', from: 'den-1', to: 'den-2', meters: 6, metal: 'copper', awg: 14 };
    const two = { ...known, outlets: [...known.outlets, { id: 'den-2' }], cables: [...known.cables, second] };
    const tests = two.outlets.flatMap(({ id: at }) => [
      { at, instrument: 'meter' },
      { at, instrument: 'loaded' },
    ]);
    const simulated = await fairplug(['simulate', '-'], JSON.stringify({ ...two, tests }));
    const { stdout } = await fairplug(
      ['diagnose', '-'],
      JSON.stringify({ ...JSON.parse(simulated.stdout), circuit: two }),
    );
    const { lengths } = JSON.parse(stdout);
    expect(lengths.map(({ at }: { at: string }) => at)).toEqual(['den-1', 'den-2']);
    expect(lengths[1].meters).toBeCloseTo(20, 0);
  });

  test('an array is answered by an array; without a circuit outlets are taken one by one', async () => {
    const { stdout } = await fairplug(['diagnose', '-'], JSON.stringify([readings, readings]));
    const answers = JSON.parse(stdout);
    expect(answers).toHaveLength(2);
    expect(answers[0].outlets[0]).toMatchObject({ id: 'den-1', condition: 'open-ground' });
    expect(answers[0].explanations[0].faults[0]).toMatchObject({ kind: 'open', at: 'den-1' });
  });

  test.each([
    [
      { ...readings, circuit: { ...known, faults: [{ kind: 'open', conductor: 'hot', at: 'den-1' }] } },
      '/circuit/faults',
    ],
    [{ ...readings, circuit: { ...known, cables: [] } }, '/circuit/cables'],
    [{ ...readings, house: { yearBuilt: 'old' } }, '/house/yearBuilt'],
    [{ ...readings, kit: ['hammer'] }, '/kit/0'],
    [{ ...readings, guess: 1 }, '/guess: unknown key'],
    [
      { ...readings, readings: [{ at: 'den-1', instrument: 'meter' }] },
      '/readings/0: expected one measured value at least',
    ],
    [
      { ...readings, readings: [{ ...readings.readings[0], at: 'attic' }], circuit: known },
      '/readings/0/at: no outlet of that name ("attic")',
    ],
  ])('a wrong input is refused with its path: %#', async (input, message) => {
    const { status, stdout, stderr } = await fairplug(['diagnose', '-'], JSON.stringify(input));
    expect(status).toBe(2);
    expect(stdout).toBe('');
    expect(stderr).toContain(message);
  });
});

describe('fairplug blind-spots', () => {
  test('a probe takes the live ground off the list, a load test all but exchanged neutral and ground', async () => {
    const seen = async (kit: string) =>
      (await fairplug(['blind-spots', '--kit', kit])).stdout.trim().split('\n');
    expect(await seen('lamps')).toEqual([
      'reversed-bootleg-ground',
      'bootleg-ground',
      'neutral-ground-bond',
      'neutral-ground-swapped',
      'high-resistance',
    ]);
    expect(await seen('lamps,meter')).toEqual(await seen('lamps'));
    expect(await seen('lamps,probe')).not.toContain('reversed-bootleg-ground');
    expect(await seen('lamps,meter,probe,loaded')).toEqual(['neutral-ground-swapped']);
  });

  test('an unknown instrument, or none, is refused', async () => {
    expect((await fairplug(['blind-spots', '--kit', 'lamps,hammer'])).stderr).toContain('hammer');
    expect((await fairplug(['blind-spots'])).status).toBe(2);
    expect((await fairplug(['blind-spots', 'lamps'])).status).toBe(2);
  });
});

describe('fairplug convert', () => {
  const list = join(folder, 'list.csv');
  const job = join(folder, 'job.json');

  test('a list of receptacles becomes a job, a job the same job and its tables', async () => {
    writeFileSync(list, 'Room,Outlet,Circuit\r\nDen,Den 1,7\r\nDen,Den 2,7\r\n');
    expect(await fairplug(['convert', list, '--to', 'job', '--output', job])).toEqual({
      status: 0,
      stdout: '',
      stderr: '',
    });
    const again = await fairplug(['convert', job, '--to', 'job']);
    expect(again.stdout).toBe(readFileSync(job, 'utf8'));
    const { stdout } = await fairplug(['convert', job, '--to', 'receptacles']);
    expect(stdout).toContain('\r\nDen,Den 2,,7,');
    const workbook = join(folder, 'tables.xlsx');
    expect((await fairplug(['convert', job, '--to', 'xlsx', '--output', workbook])).status).toBe(0);
    expect(readFileSync(workbook).subarray(0, 2).toString()).toBe('PK');
  });

  test.each([
    ['no target', [job], 'fairplug convert FILE'],
    ['a workbook to standard output', [job, '--to', 'xlsx'], '--output'],
    ['a file that is not there', [join(folder, 'none'), '--to', 'job'], 'ENOENT'],
  ])('%s: exit 2 and a reason', async (_, args, words) => {
    const { status, stdout, stderr } = await fairplug(['convert', ...args]);
    expect([status, stdout]).toEqual([2, '']);
    expect(stderr).toContain(words);
  });

  test('rows that cannot be taken are named, and nothing is written', async () => {
    writeFileSync(list, 'Room,Outlet,Place\nDen,Den 1,first\n,Den 2,2\n');
    const output = join(folder, 'never.json');
    const { status, stderr } = await fairplug(['convert', list, '--to', 'job', '--output', output]);
    expect(status).toBe(2);
    expect(stderr).toContain('row 2, place "first"');
    expect(stderr).toContain('row 3, room ""');
    expect(existsSync(output)).toBe(false);
  });
});
