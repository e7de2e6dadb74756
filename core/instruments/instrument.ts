import {
  type Reading,
  type Solver,
  type Test,
  type ThreeTerminals,
  threeTerminals,
  usualButtonMilliamps,
  usualLoadAmps,
} from '../circuit/index.ts';
import { type Attachment, across, type ContactVolts, contactVolts, plugIn, toEarth } from './at-contacts.ts';
import { dimFrom, type LampState, litFrom } from './lamps.ts';
import { imbalanceAmps, type Settled, secondsToTrip, thresholdAmps } from './protection.ts';

const lampSiemens = 1 / 100e3;
const meterSiemens = 1 / 10e6;
const lowMeterSiemens = 1 / 3e3;
/** The non-contact probe sounds from so many volts against earth. */
const probeVolts = 50;

/** Seven digits, as the formats' examples carry: more would be noise of the last bits. */
const rounded = (value: number): number => Number(value.toPrecision(7));

/** Scratch of one run of tests. */
export interface Bench {
  readonly solver: Solver;
  readonly outlet: ThreeTerminals;
  readonly volts: ContactVolts;
  readonly currentRe: Float64Array;
  readonly currentIm: Float64Array;
}

export function benchFor(solver: Solver): Bench {
  const { nodeCount } = solver.network;
  return {
    solver,
    outlet: threeTerminals(),
    volts: contactVolts(),
    currentRe: new Float64Array(nodeCount),
    currentIm: new Float64Array(nodeCount),
  };
}

/** What one instrument shows at the outlet whose three terminals the bench holds. */
export function show(bench: Bench, test: Test, outlet: number, settled: Settled): Reading {
  const { nominalVolts } = bench.solver.network.circuit;
  switch (test.instrument) {
    case 'lamps':
      return { ...test, ...lampsShown(bench, nominalVolts) };
    case 'meter':
      return { ...test, ...pairsMetered(bench, meterSiemens, {}) };
    case 'meter-low':
      return { ...test, ...pairsMetered(bench, lowMeterSiemens, {}) };
    case 'loaded': {
      const load = (test.amps ?? usualLoadAmps) / nominalVolts;
      return { ...test, ...pairsMetered(bench, meterSiemens, { hn: load }) };
    }
    case 'earth-meter':
      return { ...test, ...meteredToEarth(bench) };
    case 'probe':
      return { ...test, ...probed(bench) };
    case 'gfci-button':
      return {
        ...test,
        ...buttonPressed(bench, outlet, test.buttonMilliamps ?? usualButtonMilliamps, settled),
      };
    case 'own-button':
      return { ...test, result: ownButton(bench, outlet, settled) };
  }
}

function lampsShown({ outlet, volts }: Bench, nominalVolts: number) {
  plugIn(outlet, { hn: lampSiemens, hg: lampSiemens, ng: lampSiemens }, volts);
  const glow = (pair: 'hn' | 'hg' | 'ng'): LampState => {
    const share = across(pair, volts) / nominalVolts;
    if (share >= litFrom) return 'lit';
    return share >= dimFrom ? 'dim' : 'off';
  };
  return { hn: glow('hn'), hg: glow('hg'), ng: glow('ng') };
}

function pairsMetered({ outlet, volts }: Bench, siemens: number, beside: Attachment) {
  const read = (pair: 'hn' | 'hg' | 'ng'): number => {
    plugIn(outlet, { ...beside, [pair]: (beside[pair] ?? 0) + siemens }, volts);
    return rounded(across(pair, volts));
  };
  return { hn: read('hn'), hg: read('hg'), ng: read('ng') };
}

function meteredToEarth({ outlet, volts }: Bench) {
  const read = (contact: 'hot' | 'neutral' | 'ground', row: number): number => {
    plugIn(outlet, { [contact]: meterSiemens }, volts);
    return rounded(toEarth(row, volts));
  };
  return { hot: read('hot', 0), neutral: read('neutral', 1), ground: read('ground', 2) };
}

function probed({ outlet, volts }: Bench) {
  plugIn(outlet, {}, volts);
  const sounds = (row: number): boolean => toEarth(row, volts) >= probeVolts;
  return { hot: sounds(0), neutral: sounds(1), ground: sounds(2) };
}

function buttonPressed(bench: Bench, outlet: number, milliamps: number, settled: Settled) {
  const { solver, volts, currentRe, currentIm } = bench;
  const { network } = solver;
  const siemens = milliamps / 1000 / network.circuit.nominalVolts;
  plugIn(bench.outlet, { hg: siemens }, volts);
  const ampsRe = ((volts.re[0] as number) - (volts.re[2] as number)) * siemens;
  const ampsIm = ((volts.im[0] as number) - (volts.im[2] as number)) * siemens;
  const shown = { milliamps: rounded(Math.hypot(ampsRe, ampsIm) * 1000) };
  const contact = network.outlets[outlet]?.contact;
  if (contact === undefined || network.devices.length === 0) return { ...shown, trips: [] };
  const amps = [
    [contact.hot, -ampsRe, -ampsIm],
    [contact.ground, ampsRe, ampsIm],
  ] as const;
  solver.respond(amps, currentRe, currentIm);
  for (let node = 0; node < network.nodeCount; node += 1) {
    currentRe[node] = (currentRe[node] as number) + (solver.voltsRe[node] as number);
    currentIm[node] = (currentIm[node] as number) + (solver.voltsIm[node] as number);
  }
  const trips: string[] = [];
  let fastest = Number.POSITIVE_INFINITY;
  network.devices.forEach((device, index) => {
    if (settled.operation.deviceStates[index] !== 'set') return;
    const seen = imbalanceAmps(solver, device, currentRe, currentIm);
    if (seen < thresholdAmps(device.protection)) return;
    trips.push(device.id);
    fastest = Math.min(fastest, secondsToTrip(device.protection, seen));
  });
  return trips.length === 0 ? { ...shown, trips } : { ...shown, trips, seconds: rounded(fastest) };
}

function ownButton(
  { solver }: Bench,
  outlet: number,
  { operation }: Settled,
): 'trips' | 'no-power' | 'nothing' {
  const { network, voltsRe, voltsIm } = solver;
  const index = network.devices.findIndex((device) => device.outlet === outlet);
  const nodes = network.outlets[outlet];
  const leg = network.circuit.outlets[outlet]?.leg ?? 'L1';
  const state = operation.deviceStates[index];
  if (nodes === undefined || (state !== 'set' && state !== 'failed')) return 'no-power';
  const hot = nodes.splice[leg];
  const { neutral } = nodes.splice;
  const volts = Math.hypot(
    (voltsRe[hot] as number) - (voltsRe[neutral] as number),
    (voltsIm[hot] as number) - (voltsIm[neutral] as number),
  );
  if (volts < litFrom * network.circuit.nominalVolts) return 'no-power';
  return state === 'failed' ? 'nothing' : 'trips';
}
