import { cpus, totalmem } from 'node:os';

/** What the piece of work below takes on such a machine while nothing else wants it, in milliseconds. */
const inQuiet = 5.6;
const pieces = 15;

function fixedWork(): number {
  const from = performance.now();
  let sum = 0;
  for (let i = 0; i < 1e6; i += 1) sum += Math.sqrt(i);
  const kept = new Map<string, number>();
  for (let i = 0; i < 3e4; i += 1) kept.set(`k${i}`, sum);
  return performance.now() - from;
}

/** What was measured on, and how quick it was just then: others share it, and figures of two runs are told apart by that. */
export function machineWords(): string {
  const took = Array.from({ length: pieces }, fixedWork).sort((a, b) => a - b);
  const median = took[Math.floor(pieces / 2)] ?? Number.NaN;
  const [cpu] = cpus();
  const memory = Math.round(totalmem() / 2 ** 30);
  return `${cpus().length} × ${cpu?.model ?? 'unknown'}, ${memory} GB, on which a fixed piece of work took ${median.toFixed(1)} ms at the end, ${inQuiet} in a quiet minute`;
}
