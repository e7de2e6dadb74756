import { type Solver, type ThreeTerminals, threeTerminals } from '../physics/index.ts';
import { type ContactVolts, connect, contactVolts, partBetween, settle, unplug } from './at-contacts.ts';
import { type Hookup, hookupOf } from './hookup.ts';
import type { InUse } from './kind.ts';
import type { Settled } from './protection.ts';
import { settingOf } from './reading.ts';
import type { Test, WholeReading } from './reading-schema.ts';
import { instruments } from './registry.ts';

/** Scratch of one run of tests. */
export interface Bench {
  readonly solver: Solver;
  readonly outlet: ThreeTerminals;
  readonly volts: ContactVolts;
  readonly nodesRe: Float64Array;
  readonly nodesIm: Float64Array;
}

export function benchFor(solver: Solver): Bench {
  const { nodeCount } = solver.network;
  return {
    solver,
    outlet: threeTerminals(),
    volts: contactVolts(),
    nodesRe: new Float64Array(nodeCount),
    nodesIm: new Float64Array(nodeCount),
  };
}

/** Seven digits, as the formats' examples carry: more would be noise of the last bits. */
const rounded = (value: unknown): unknown =>
  typeof value === 'number' ? Number(value.toPrecision(7)) : value;

/** What one instrument shows at the outlet whose three terminals the bench holds. */
export function show(bench: Bench, test: Test, outlet: number, { operation }: Settled): WholeReading {
  const { solver, nodesRe, nodesIm } = bench;
  const hookup = hookupOf(test.instrument, settingOf(test), solver.network.circuit.nominalVolts);
  const { values, ampsRe, ampsIm } = readAt(bench, hookup);
  const { watches } = hookup;
  const shown: Record<string, unknown> = { ...test };
  const { reads } = instruments[test.instrument];
  if (reads !== undefined) {
    let index = 0;
    for (const name in reads.fields) {
      shown[name] = rounded(reads.value.shown(values[index] as number));
      index += 1;
    }
  }
  if (watches !== null) {
    const used: InUse = {
      network: solver.network,
      operation,
      outlet,
      solved: () => solver,
      drawn: () => [ampsRe, ampsIm],
      nodesRe,
      nodesIm,
    };
    const channels: number[] = [];
    watches.predict(used, channels, 0);
    const devices = solver.network.devices.map(({ id }) => id);
    Object.assign(
      shown,
      watches.shown((index) => channels[index] ?? 0, devices),
    );
    for (const [name, value] of Object.entries(watches.besides?.(used) ?? {})) shown[name] = rounded(value);
  }
  return shown as WholeReading;
}

/** What is read across each span, and the amperes through the first. */
function readAt({ outlet, volts }: Bench, { spans, ends, siemens, together, load, perVolt }: Hookup) {
  const values: number[] = [];
  let [ampsRe, ampsIm] = [0, 0];
  const plug = (from: number, to: number): void => {
    unplug();
    if (load > 0) connect(0, 1, load);
    for (let span = from; span < to; span += 1)
      connect(ends[2 * span] as number, ends[2 * span + 1] as number, siemens);
    settle(outlet, volts);
  };
  if (together) plug(0, spans);
  for (let span = 0; span < spans; span += 1) {
    if (!together) plug(span, span + 1);
    const [a, b] = [ends[2 * span] as number, ends[2 * span + 1] as number];
    const [re, im] = [partBetween(volts.re, a, b), partBetween(volts.im, a, b)];
    if (span === 0) [ampsRe, ampsIm] = [re * siemens, im * siemens];
    values.push(Math.hypot(re, im) * perVolt);
  }
  return { values, ampsRe, ampsIm };
}
