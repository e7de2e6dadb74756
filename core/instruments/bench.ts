import { type Solver, type ThreeTerminals, threeTerminals } from '../physics/index.ts';
import { type Attachment, type ContactVolts, contactVolts, plugIn, voltsAcross } from './at-contacts.ts';
import type { Span } from './contacts.ts';
import type { InUse, Reads } from './kind.ts';
import type { Settled } from './protection.ts';
import { settingOf, valuesOf } from './reading.ts';
import type { Reading, Test } from './reading-schema.ts';
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
export function show(bench: Bench, test: Test, outlet: number, { operation }: Settled): Reading {
  const { solver, nodesRe, nodesIm } = bench;
  const instrument = instruments[test.instrument];
  const { reads, watches } = instrument;
  const { values, ampsRe, ampsIm } = readAt(bench, reads, settingOf(test));
  const used: InUse = { solver, operation, outlet, ampsRe, ampsIm, nodesRe, nodesIm };
  watches?.predict(used, values, values.length);
  const devices = solver.network.devices.map(({ id }) => id);
  const shown = {
    ...valuesOf(instrument, (index) => values[index] ?? 0, devices),
    ...watches?.besides?.(used),
  };
  return {
    ...test,
    ...Object.fromEntries(Object.entries(shown).map(([name, value]) => [name, rounded(value)])),
  } as Reading;
}

/** What is read across each span, and the amperes through the first. */
function readAt({ solver, outlet, volts }: Bench, reads: Reads | undefined, setting: number) {
  const values: number[] = [];
  const first = { ampsRe: 0, ampsIm: 0 };
  if (reads === undefined) return { values, ...first };
  const { nominalVolts } = solver.network.circuit;
  const siemens = reads.siemens(setting, nominalVolts);
  const spans: readonly Span[] = Object.values(reads.fields);
  const load: Attachment = { hn: reads.load?.(setting, nominalVolts) ?? 0 };
  const plug = (those: readonly Span[]): void => {
    const attachment: Partial<Record<Span, number>> = { ...load };
    for (const span of those) attachment[span] = (attachment[span] ?? 0) + siemens;
    plugIn(outlet, attachment, volts);
  };
  if (reads.together) plug(spans);
  const perVolt = reads.perVolt?.(setting, nominalVolts) ?? 1;
  for (const span of spans) {
    if (!reads.together) plug([span]);
    const [re, im] = voltsAcross(span, volts);
    if (values.length === 0) Object.assign(first, { ampsRe: re * siemens, ampsIm: im * siemens });
    values.push(Math.hypot(re, im) * perVolt);
  }
  return { values, ...first };
}
