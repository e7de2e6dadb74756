import { gzipSync } from 'node:zlib';
import { type Circuit, networkOf, parseCircuit, runOf } from '@fair-plug/core/circuit';
import { causesOf, Diagnostician, diagnoseAlone } from '@fair-plug/core/engine';
import type { Reading, Test } from '@fair-plug/core/instruments';
import { build } from 'esbuild';
import { Random } from '../accuracy/random.ts';
import { readingsFrom } from '../accuracy/world.ts';

const outlets = Array.from({ length: 12 }, (_, index) => `o${index + 1}`);
const instruments = ['lamps', 'meter', 'meter-low', 'earth-meter', 'probe', 'loaded', 'gfci-button'] as const;
const circuit = runOf(outlets, { meters: { first: 15, next: 4 } });
/** What callers with a person waiting allow one circuit. */
const mostMilliseconds = 2500;

interface Times {
  readonly first: number[];
  readonly whole: number[];
  readonly added: number[];
  stoppedEarly: number;
}

/** Circuits with so many random causes and, in half of them, a load; all instruments at all outlets, with reading errors. */
function timesOf(causeCount: number, count: number, unknownLoads: boolean, random: Random): Times {
  const causes = causesOf(networkOf(circuit), {}, new Set()).filter(({ prior }) => prior !== 'short');
  const times: Times = { first: [], whole: [], added: [], stoppedEarly: 0 };
  for (let made = 0; made < count; made += 1) {
    const faults = Array.from({ length: causeCount }, () => random.pick(causes)).flatMap(
      (cause) => cause.faults,
    );
    const loads = random.chance(0.5) ? [{ at: random.pick(outlets), watts: random.between(20, 500) }] : [];
    const tests = outlets.flatMap((at) => instruments.map((instrument) => ({ at, instrument }) as Test));
    const parsed = parseCircuit({ ...circuit, faults, loads, tests });
    if (parsed.kind === 'problems') continue;
    const readings = readingsFrom(parsed.value, random).map(({ reading }) => reading);
    one(times, { ...circuit, loads: unknownLoads ? [] : parsed.value.loads }, unknownLoads, readings);
  }
  return times;
}

function one(times: Times, known: Circuit, unknownLoads: boolean, readings: readonly Reading[]): void {
  const diagnostician = new Diagnostician({ circuit: known, unknownLoads, unknownDevices: new Set() });
  const timed = (some: readonly Reading[]): { first: number; whole: number; isCut: boolean } => {
    const from = performance.now();
    const limits = { mostBounds: 6000, isOver: () => performance.now() - from > mostMilliseconds };
    const run = diagnostician.diagnosing({ readings: some, trippedBefore: [] }, limits);
    let first = 0;
    for (;;) {
      const step = run.next();
      if (step.value !== null && first === 0) first = performance.now() - from;
      if (!step.done) continue;
      return { first, whole: performance.now() - from, isCut: step.value.stoppedEarly };
    }
  };
  const { first, whole, isCut } = timed(readings);
  if (isCut) times.stoppedEarly += 1;
  times.first.push(first);
  times.whole.push(whole);
  // A typical visit: lamps everywhere, and one more reading comes in.
  const byLamps = readings.filter(({ instrument }) => instrument === 'lamps');
  timed(byLamps);
  const meter = readings.find(({ instrument }) => instrument === 'meter');
  if (meter !== undefined) times.added.push(timed([...byLamps, meter]).whole);
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
  const tests = outlets.flatMap((id) =>
    (['lamps', 'meter', 'probe'] as const).map((instrument) => ({ at: id, instrument }) as Test),
  );
  const shown = readingsFrom({ ...circuit, tests }, random).map(({ reading }) => reading);
  const run = (): void => {
    for (const id of outlets)
      diagnoseAlone(
        id,
        shown.filter((one) => one.at === id),
      );
  };
  for (let warm = 0; warm < 60; warm += 1) run();
  const from = performance.now();
  for (let times = 0; times < 100; times += 1) run();
  return (performance.now() - from) / 100 / outlets.length;
}

/** The section on the diagnosis, in Markdown. */
export async function diagnosisText(circuits: number): Promise<string> {
  const random = new Random(7);
  timesOf(1, 10, false, random);
  const rows = [
    ['nothing wrong', timesOf(0, Math.ceil(circuits / 3), false, random), ''],
    ['one cause', timesOf(1, circuits, false, random), 'median under 150 ms'],
    ['two causes', timesOf(2, circuits, false, random), 'median under 1 s, worst of 200 under 3 s'],
    ['one cause, loads not known', timesOf(1, Math.ceil(circuits / 8), true, random), ''],
    ['two causes, loads not known', timesOf(2, Math.ceil(circuits / 8), true, random), ''],
  ] as const;
  const all = rows.flatMap(([, { first }]) => first);
  const added = rows.slice(0, 3).flatMap(([, times]) => times.added);
  return `12 outlets, ${instruments.length} instruments at each, reading errors as in [accuracy](accuracy.md), one core. Past ${mostMilliseconds} ms the best answer so far stands and says so, as in the application.

| put in | median | 90th percentile | worst | stopped early | aim |
|---|---|---|---|---|---|
${rows.map(([name, { whole, stoppedEarly }, aim]) => `| ${name} | ${ms(at(whole, 0.5))} | ${ms(at(whole, 0.9))} | ${ms(at(whole, 1))} | ${stoppedEarly} of ${whole.length} | ${aim} |`).join('\n')}

| what | measured | aim |
|---|---|---|
| first answer, better ones follow | median ${ms(at(all, 0.5))}, 95th percentile ${ms(at(all, 0.95))} | within 50 ms |
| lamps everywhere, then one meter reading more | median ${ms(at(added, 0.5))} | under 50 ms typical |
| a receptacle by itself, three instruments | ${ms(loneMilliseconds(random))} | under 1 ms |
| engine for the browser, compressed | ${(await bundleKilobytes()).toFixed(0)} KB | at most 80 KB |
`;
}
