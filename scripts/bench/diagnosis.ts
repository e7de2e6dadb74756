import { gzipSync } from 'node:zlib';
import { type Circuit, networkOf, parseCircuit, runOf } from '@fair-plug/core/circuit';
import { causesOf, Diagnostician, diagnoseAlone, searchTime, usualLimits } from '@fair-plug/core/engine';
import type { InstrumentId, Reading, Test } from '@fair-plug/core/instruments';
import { build } from 'esbuild';
import { Random } from '../accuracy/random.ts';
import { readingsFrom } from '../accuracy/world.ts';
import { gauged } from './machine.ts';

const instruments = ['lamps', 'meter', 'meter-low', 'earth-meter', 'probe', 'loaded', 'gfci-button'] as const;
/** What the command allows one circuit of many, by the clock and of the processor's time. */
const mostMilliseconds = 5000;
const mostProcessorMilliseconds = 4000;

/** A run of so many outlets. */
const runWith = (count: number): Circuit =>
  runOf(
    Array.from({ length: count }, (_, index) => `o${index + 1}`),
    { meters: { first: 15, next: 4 } },
  );
const circuit = runWith(12);
const idsOf = ({ outlets }: Circuit): readonly string[] => outlets.map(({ id }) => id);

/** What is put in: a run with so many random causes, in half of them a load. */
interface Scene {
  readonly circuit: Circuit;
  readonly causes: number;
  readonly unknownLoads: boolean;
  readonly kit: readonly InstrumentId[];
  readonly count: number;
}

/** Milliseconds, circuit by circuit. */
interface Times {
  readonly first: number[];
  readonly whole: number[];
  /** Of the processor. */
  readonly processor: number[];
  readonly added: number[];
  stoppedEarly: number;
}

/** All instruments of the kit at all outlets, with reading errors. */
function timesOf({ circuit, causes, unknownLoads, kit, count }: Scene, random: Random): Times {
  const possible = causesOf(networkOf(circuit), {}, new Set()).filter(({ prior }) => prior !== 'short');
  const times: Times = { first: [], whole: [], processor: [], added: [], stoppedEarly: 0 };
  for (let made = 0; made < count; made += 1) {
    const faults = Array.from({ length: causes }, () => random.pick(possible)).flatMap(
      (cause) => cause.faults,
    );
    const ids = idsOf(circuit);
    const loads = random.chance(0.5) ? [{ at: random.pick(ids), watts: random.between(20, 500) }] : [];
    const tests = ids.flatMap((at) => kit.map((instrument) => ({ at, instrument }) as Test));
    const parsed = parseCircuit({ ...circuit, faults, loads, tests });
    if (parsed.kind === 'problems') continue;
    const readings = readingsFrom(parsed.value, random).map(({ reading }) => reading);
    one(times, { ...circuit, loads: unknownLoads ? [] : parsed.value.loads }, unknownLoads, readings);
  }
  return times;
}

function one(times: Times, known: Circuit, unknownLoads: boolean, readings: readonly Reading[]): void {
  const diagnostician = new Diagnostician({ circuit: known, unknownLoads, unknownDevices: new Set() });
  const timed = (some: readonly Reading[]) => {
    const from = performance.now();
    const before = process.cpuUsage();
    const processor = (): number => process.cpuUsage(before).user / 1000;
    const isOver = (): boolean =>
      performance.now() - from > searchTime(mostMilliseconds, known.outlets.length) ||
      processor() > searchTime(mostProcessorMilliseconds, known.outlets.length);
    const run = diagnostician.diagnosing({ readings: some, trippedBefore: [] }, { ...usualLimits, isOver });
    let first = 0;
    for (;;) {
      const step = run.next();
      if (step.value !== null && first === 0) first = performance.now() - from;
      if (!step.done) continue;
      const whole = performance.now() - from;
      return { first, whole, processor: processor(), isCut: step.value.stoppedEarly };
    }
  };
  const { first, whole, processor, isCut } = timed(readings);
  if (isCut) times.stoppedEarly += 1;
  times.first.push(first);
  times.whole.push(whole);
  times.processor.push(processor);
  // A typical visit: lamps everywhere, and one more reading comes in.
  const byLamps = readings.filter(({ instrument }) => instrument === 'lamps');
  const meter = readings.find(({ instrument }) => instrument === 'meter');
  if (meter === undefined || known.outlets.length > circuit.outlets.length) return;
  timed(byLamps);
  times.added.push(timed([...byLamps, meter]).whole);
}

const at = (values: readonly number[], share: number): number =>
  values.toSorted((a, b) => a - b)[Math.min(values.length - 1, Math.floor(share * values.length))] ??
  Number.NaN;
const ms = (value: number): string => `${value < 10 ? value.toFixed(2) : value.toFixed(0)} ms`;

/** What a browser loads before the engine can answer: the worker and what it imports at once. */
async function bundleKilobytes(): Promise<number> {
  const { outputFiles, metafile } = await build({
    entryPoints: { engine: new URL('../../web/workers/engine.worker.ts', import.meta.url).pathname },
    bundle: true,
    splitting: true,
    minify: true,
    write: false,
    metafile: true,
    outdir: 'engine',
    format: 'esm',
    platform: 'browser',
  });
  const needed = new Set<string>();
  const need = (path: string): void => {
    if (needed.has(path)) return;
    needed.add(path);
    for (const { path: next, kind } of metafile.outputs[path]?.imports ?? [])
      if (kind === 'import-statement') need(next);
  };
  need('engine/engine.js');
  const loaded = outputFiles.filter(({ path }) => [...needed].some((one) => path.endsWith(one)));
  return loaded.reduce((sum, { text }) => sum + gzipSync(text).byteLength, 0) / 1024;
}

function loneMilliseconds(random: Random): number {
  const ids = idsOf(circuit);
  const tests = ids.flatMap((id) =>
    (['lamps', 'meter', 'probe'] as const).map((instrument) => ({ at: id, instrument }) as Test),
  );
  const shown = readingsFrom({ ...circuit, tests }, random).map(({ reading }) => reading);
  const run = (): void => {
    for (const id of ids)
      diagnoseAlone(
        id,
        shown.filter((one) => one.at === id),
      );
  };
  for (let warm = 0; warm < 60; warm += 1) run();
  const from = performance.now();
  for (let times = 0; times < 100; times += 1) run();
  return (performance.now() - from) / 100 / ids.length;
}

/** A row of the table: what is put in, what is aimed at, and what it took before supply, loads and slips were fitted. */
interface Row extends Scene {
  readonly name: string;
  readonly aim: string;
  readonly before: string;
}

/** Loads not known, all instruments; so many of the circuits that are asked for. */
const usual = { unknownLoads: true, kit: instruments } as const;
const rowsFor = (circuits: number): readonly Row[] => {
  const share = (part: number): number => Math.max(1, Math.ceil(circuits * part));
  const [thirty, fifty, twoHundred] = [30, 50, 200].map(runWith) as [Circuit, Circuit, Circuit];
  const known = { ...usual, unknownLoads: false, circuit };
  return [
    {
      ...known,
      causes: 0,
      count: share(0.2),
      name: '12 outlets, loads known, nothing wrong',
      aim: '',
      before: '',
    },
    {
      ...known,
      causes: 1,
      count: share(0.4),
      name: '12 outlets, loads known, one cause',
      aim: '',
      before: '',
    },
    {
      ...known,
      causes: 2,
      count: share(0.4),
      name: '12 outlets, loads known, two causes',
      aim: '',
      before: '',
    },
    {
      ...usual,
      circuit,
      causes: 1,
      count: circuits,
      name: '12 outlets, one cause',
      aim: '150 ms, 500 ms',
      before: '331 ms, 1527 ms',
    },
    {
      ...usual,
      circuit,
      causes: 2,
      count: share(0.5),
      name: '12 outlets, two causes',
      aim: '250 ms, 800 ms',
      before: '',
    },
    {
      ...usual,
      circuit: thirty,
      causes: 2,
      count: share(0.15),
      name: '30 outlets, two causes',
      aim: '1.5 s',
      before: '4.0 s',
    },
    {
      ...usual,
      circuit: fifty,
      causes: 2,
      count: share(0.1),
      name: '50 outlets, two causes',
      aim: '3 s',
      before: '5.3 s, one of 18 s',
    },
    {
      ...usual,
      kit: ['lamps'],
      circuit: twoHundred,
      causes: 1,
      count: share(0.05),
      name: '200 outlets, lamps alone, one cause',
      aim: 'under 2 s',
      before: '',
    },
  ];
};

/** The section on the diagnosis, in Markdown; so many circuits in the row of the usual case, fewer in the others. */
export async function diagnosisText(circuits: number): Promise<string> {
  const random = new Random(7);
  timesOf({ ...usual, circuit, causes: 1, count: 10 }, random);
  const rows = rowsFor(circuits).map((row) => ({ ...row, ...timesOf(row, random) }));
  const ofTwelve = rows.filter((row) => row.circuit === circuit);
  const first = ofTwelve.flatMap((row) => row.first);
  const added = ofTwelve.flatMap((row) => row.added);
  const two = (values: readonly number[]): string => `${ms(at(values, 0.5))}, ${ms(at(values, 0.9))}`;
  const body = rows.map(
    ({ name, whole, processor, stoppedEarly, aim, before }) =>
      `| ${name} | ${two(whole)} | ${two(processor)} | ${ms(at(whole, 1))} | ${stoppedEarly} of ${whole.length} | ${aim} | ${before} |`,
  );
  return `${instruments.length} instruments at each outlet, reading errors as in [accuracy](accuracy.md), loads not known but where it says so, one core; the lists of each outlet and the next test included. An answer is to take ${mostMilliseconds} ms, or ${mostProcessorMilliseconds} ms of the processor, at the most, its search so much less as its lists take on a long run; then the best so far stands and says so. A fixed piece of work that took 5.6 ms in the best minutes of this kind of machine took ${gauged().toFixed(1)} ms when this was measured.

| put in | median, 90th percentile | of the processor | worst | stopped early | aim | before |
|---|---|---|---|---|---|---|
${body.join('\n')}

| what | measured | aim |
|---|---|---|
| first answer, better ones follow | median ${ms(at(first, 0.5))}, 95th percentile ${ms(at(first, 0.95))} | within 50 ms |
| lamps everywhere, then one meter reading more | median ${ms(at(added, 0.5))} | under 50 ms typical |
| a receptacle by itself, three instruments | ${ms(loneMilliseconds(random))} | under 1 ms |
| engine for the browser, compressed | ${(await bundleKilobytes()).toFixed(0)} KB | at most 80 KB |
`;
}
