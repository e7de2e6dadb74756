import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { cpus, tmpdir, totalmem } from 'node:os';
import { join } from 'node:path';
import { type Circuit, netlist, networkOf, parseCircuit } from '@fair-plug/core/circuit';
import { benchFor, settleProtection, show, type Test } from '@fair-plug/core/instruments';
import { operationOf, Solver } from '@fair-plug/core/physics';
import { diagnosisText } from './bench/diagnosis.ts';
import { foldText } from './bench/fold.ts';
import { writeSections } from './pages.ts';

/** Measures the solver and the diagnosis and writes docs/performance.md with the figures and the machine they come from. */

const instruments = ['lamps', 'meter', 'probe', 'loaded'] as const;

function run(outlets: number): Circuit {
  const ids = Array.from({ length: outlets }, (_, index) => `o${index + 1}`);
  const parsed = parseCircuit({
    format: 'fair-plug/circuit@1',
    outlets: ids.map((id) => ({ id })),
    cables: ids.map((to, index) => ({
      id: `c${index + 1}`,
      from: index === 0 ? 'panel' : `o${index}`,
      to,
      meters: index === 0 ? 15 : 4,
      metal: 'copper',
      awg: 14,
    })),
    loads: ids.filter((_, index) => index % 4 === 0).map((at) => ({ at, watts: 60 })),
    faults: [{ kind: 'open', conductor: 'ground', cable: `c${Math.ceil(outlets / 2)}` }],
    tests: ids.flatMap((at) => instruments.map((instrument) => ({ at, instrument }))),
  });
  if (parsed.kind === 'problems') throw new Error('the bench circuit is unsound');
  return parsed.value;
}

/** Median milliseconds of many calls, after some to warm up. */
function median(times: number, work: () => void): number {
  for (let warm = 0; warm < Math.max(5, times / 5); warm += 1) work();
  const taken = Array.from({ length: times }, () => {
    const from = performance.now();
    work();
    return performance.now() - from;
  });
  return taken.sort((a, b) => a - b)[Math.floor(times / 2)] ?? Number.NaN;
}

const operating = (circuit: Circuit, times: number): number => {
  const solver = new Solver(networkOf(circuit));
  const operation = operationOf(solver.network);
  return median(times, () => solver.operate(operation));
};

function allInstruments(circuit: Circuit): number {
  const solver = new Solver(networkOf(circuit));
  const settled = settleProtection(solver, operationOf(solver.network));
  const bench = benchFor(solver);
  const byOutlet = grouped(circuit.tests);
  return median(400, () => {
    for (const [at, tests] of byOutlet) {
      const outlet = solver.network.topology.outletIndex.get(at) ?? 0;
      solver.equivalentAt(outlet, bench.outlet);
      for (const test of tests) show(bench, test, outlet, settled);
    }
  });
}

function grouped(tests: readonly Test[]): Map<string, Test[]> {
  const groups = new Map<string, Test[]>();
  for (const test of tests) groups.set(test.at, [...(groups.get(test.at) ?? []), test]);
  return groups;
}

function byNgspice(circuit: Circuit): { process: number; analysis: string } {
  const folder = mkdtempSync(join(tmpdir(), 'fair-plug-bench-'));
  const file = join(folder, 'deck.cir');
  writeFileSync(file, netlist(circuit).replace(/\.end\n$/, '.control\nrun\nrusage time\n.endc\n.end\n'));
  let output = '';
  const process = median(25, () => {
    output = execFileSync('ngspice', ['-b', file], { encoding: 'utf8', stdio: ['ignore', 'pipe', 'ignore'] });
  });
  rmSync(folder, { recursive: true });
  return { process, analysis: /analysis time[^\d]*([\d.e-]+)/i.exec(output)?.[1] ?? 'not reported' };
}

const digits = (milliseconds: number): string => milliseconds.toPrecision(3);
const twelve = run(12);
const own = operating(twelve, 2000);
const spice = byNgspice(twelve);
const growth = [3, 12, 50, 200].map((outlets) => ({ outlets, ms: operating(run(outlets), 400) }));
const instrumentsMs = allInstruments(twelve);
const [cpu] = cpus();

const introduction = `# Performance

The solver and the diagnosis are measured by \`npm run bench\`, the server under load by \`npm run load\`; medians of one run. Machine: ${cpus().length} × ${cpu?.model ?? 'unknown processor'}, ${Math.round(totalmem() / 2 ** 30)} GB, Node ${process.versions.node}.`;

const solverText = `| what | median | aim |
|---|---|---|
| one operating point of a 12-outlet circuit (build, eliminate, all potentials) | ${digits(own)} ms | |
| ngspice on the same deck, whole process | ${digits(spice.process)} ms: ${Math.round(spice.process / own)} × ours | 500 × |
| ngspice, its own analysis time as it reports it | ${spice.analysis === 'not reported' ? spice.analysis : `${spice.analysis} s`} | more than ours |
| ${instruments.length} instruments (${instruments.join(', ')}) at all outlets of 12 | ${digits(instrumentsMs)} ms | under 1 ms |

Growth with the number of outlets in one run (aim: linear):

| outlets | median | per outlet |
|---|---|---|
${growth.map(({ outlets, ms }) => `| ${outlets} | ${digits(ms)} ms | ${digits((ms / outlets) * 1000)} µs |`).join('\n')}`;

const sections = [
  { heading: '## The solver', text: solverText },
  { heading: '## The diagnosis', text: await diagnosisText(Number(process.argv[2] ?? 40)) },
  { heading: '## The log in the browser', text: foldText() },
];
writeSections('performance.md', introduction, sections);
for (const { heading, text } of sections) console.log(`${heading}\n\n${text}\n`);
