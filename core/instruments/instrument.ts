import { type Reading, type Test, usualButtonMilliamps, usualLoadAmps } from '../circuit/index.ts';
import { type Solver, type ThreeTerminals, threeTerminals } from '../physics/index.ts';
import { type Attachment, across, type ContactVolts, contactVolts, plugIn, toEarth } from './at-contacts.ts';
import { dimFrom, type LampState, litFrom } from './lamps.ts';
import { imbalanceAmps, type Settled, secondsToTrip, thresholdAmps } from './protection.ts';

export const lampSiemens = 1 / 100e3;
export const meterSiemens = 1 / 10e6;
export const lowMeterSiemens = 1 / 3e3;
/** The non-contact probe sounds from so many volts against earth. */
export const probeVolts = 50;

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
      return { ...test, ...pairsMetered(bench, meterSiemens, 0) };
    case 'meter-low':
      return { ...test, ...pairsMetered(bench, lowMeterSiemens, 0) };
    case 'loaded': {
      const load = (test.amps ?? usualLoadAmps) / nominalVolts;
      return { ...test, ...pairsMetered(bench, meterSiemens, load) };
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

const threeLamps: Attachment = { hn: lampSiemens, hg: lampSiemens, ng: lampSiemens };

function lampsShown({ outlet, volts }: Bench, nominalVolts: number) {
  plugIn(outlet, threeLamps, volts);
  return {
    hn: glow(across('hn', volts) / nominalVolts),
    hg: glow(across('hg', volts) / nominalVolts),
    ng: glow(across('ng', volts) / nominalVolts),
  };
}

function glow(share: number): LampState {
  if (share >= litFrom) return 'lit';
  return share >= dimFrom ? 'dim' : 'off';
}

/** A meter of so many siemens, one pair after another, with a load between hot and neutral where there is one. */
function pairsMetered(bench: Bench, siemens: number, load: number) {
  const { outlet, volts } = bench;
  plugIn(outlet, { hn: load + siemens }, volts);
  const hn = rounded(across('hn', volts));
  plugIn(outlet, { hn: load, hg: siemens }, volts);
  const hg = rounded(across('hg', volts));
  plugIn(outlet, { hn: load, ng: siemens }, volts);
  return { hn, hg, ng: rounded(across('ng', volts)) };
}

function meteredToEarth({ outlet, volts }: Bench) {
  plugIn(outlet, { hot: meterSiemens }, volts);
  const hot = rounded(toEarth(0, volts));
  plugIn(outlet, { neutral: meterSiemens }, volts);
  const neutral = rounded(toEarth(1, volts));
  plugIn(outlet, { ground: meterSiemens }, volts);
  return { hot, neutral, ground: rounded(toEarth(2, volts)) };
}

function probed({ outlet, volts }: Bench) {
  plugIn(outlet, {}, volts);
  return {
    hot: toEarth(0, volts) >= probeVolts,
    neutral: toEarth(1, volts) >= probeVolts,
    ground: toEarth(2, volts) >= probeVolts,
  };
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

/** What the test button of the device at an outlet does in the operation that the solver holds. */
export function ownButton(
  { solver }: Pick<Bench, 'solver'>,
  outlet: number,
  { operation }: Pick<Settled, 'operation'>,
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
