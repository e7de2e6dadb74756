import { cpus, totalmem } from 'node:os';

/** What the piece of work below takes on such a machine while nothing else wants it, in milliseconds. */
export const inQuiet = 5.6;

/** Milliseconds of a fixed piece of work, so many times over. */
export function pieces(count: number): readonly number[] {
  return Array.from({ length: count }, () => {
    const from = performance.now();
    let sum = 0;
    for (let at = 0; at < 1_000_000; at += 1) sum += Math.sqrt(at);
    const some = new Map<string, number>();
    for (let at = 0; at < 30_000; at += 1) some.set(`k${at}`, sum);
    return performance.now() - from;
  });
}

/** The least of fifteen: how fast the machine is just then. */
export const gauged = (): number => Math.min(...pieces(15));

/** What was measured on, and how quick it was just then: others share it, and figures of two runs are told apart by that. */
export function machineWords(): string {
  const [cpu] = cpus();
  const memory = Math.round(totalmem() / 2 ** 30);
  return `${cpus().length} × ${cpu?.model ?? 'unknown'}, ${memory} GB, on which a fixed piece of work took ${gauged().toFixed(1)} ms at the end, ${inQuiet} in a quiet minute`;
}
