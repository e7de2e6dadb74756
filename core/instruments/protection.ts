import {
  type Device,
  type DeviceState,
  type Operation,
  operationOf,
  poleSiemens,
  type Solver,
  type WiredDevice,
} from '../physics/index.ts';
import type { TestState } from './state-schema.ts';

/** Amperes at which a device trips: 5 mA for people (4 to 6 by UL 943), 30 mA for a residual-current device. */
const usualThreshold = { gfci: 5e-3, rcd: 30e-3 } as const;

/** A ground-fault device also trips where its load-side neutral comes this near to earth, in ohms. */
const groundedNeutralOhms = 2;

export const thresholdAmps = ({ kind, tripMilliamps }: WiredDevice): number =>
  tripMilliamps === undefined ? usualThreshold[kind] : tripMilliamps / 1000;

/**
 * Seconds in which a device trips at the latest. Ground-fault devices: (20/I)^1.43 with I in milliamperes
 * (UL 943). Residual-current devices: 0.3 s at the threshold, 0.04 s at five times it (IEC 61008), straight
 * between on logarithmic scales.
 */
export function secondsToTrip(protection: WiredDevice, amps: number): number {
  if (protection.kind === 'gfci') return (20 / (amps * 1000)) ** 1.43;
  const times = amps / thresholdAmps(protection);
  if (times <= 1) return 0.3;
  if (times >= 5) return 0.04;
  return 0.3 * (0.04 / 0.3) ** (Math.log(times) / Math.log(5));
}

/** Amperes that go out through the hot poles of a closed device and do not come back through its neutral. */
export function imbalanceAmps(
  solver: Solver,
  device: Device,
  voltsRe: Float64Array,
  voltsIm: Float64Array,
): number {
  const nodes = solver.network.outlets[device.outlet];
  if (nodes === undefined) return 0;
  let re = 0;
  let im = 0;
  for (const pole of device.poles) {
    const line = nodes.splice[pole];
    const load = nodes.protectedSide[pole];
    // Outward counts positive on every pole, so what comes back on the neutral counts against it.
    re += (voltsRe[line] as number) - (voltsRe[load] as number);
    im += (voltsIm[line] as number) - (voltsIm[load] as number);
  }
  return Math.hypot(re, im) * poleSiemens;
}

/** True where the load-side neutral of a device lies close to earth, looked at with its poles open and the supply dead. */
function seesGroundedNeutral(solver: Solver, operation: Operation, index: number): boolean {
  const device = solver.network.devices[index];
  const neutral = solver.network.outlets[device?.outlet ?? -1]?.protectedSide.neutral;
  if (device === undefined || neutral === undefined || device.protection.kind !== 'gfci') return false;
  solver.operate({ ...operation, deviceStates: operation.deviceStates.with(index, 'tripped') });
  const [ohms] = solver.impedanceToEarth(neutral);
  return ohms < groundedNeutralOhms;
}

export interface Settled {
  readonly operation: Operation;
  /** Ids of the outlets whose devices tripped by themselves, in order. */
  readonly trippedBefore: readonly string[];
}

/**
 * Lets protection trip by itself until nothing more does: each time the set device nearest the panel that sees
 * its threshold. Leaves the solver in the operation it answers.
 */
export function settleProtection(solver: Solver, from: Operation): Settled {
  const { devices, topology } = solver.network;
  const nearestFirst = devices
    .map((_, index) => index)
    .sort((a, b) => depthOf(devices[a]) - depthOf(devices[b]) || a - b);
  function depthOf(device: Device | undefined): number {
    return topology.depth[device?.outlet ?? -1] ?? Number.POSITIVE_INFINITY;
  }
  const trippedBefore: string[] = [];
  let operation = from;
  solver.operate(operation);
  for (;;) {
    const trips = nearestFirst.find((index) => tripsByItself(solver, operation, index));
    const device = trips === undefined ? undefined : devices[trips];
    if (trips === undefined || device === undefined) return { operation, trippedBefore };
    trippedBefore.push(device.id);
    operation = { ...operation, deviceStates: operation.deviceStates.with(trips, 'tripped') };
    solver.operate(operation);
  }
}

function tripsByItself(solver: Solver, operation: Operation, index: number): boolean {
  const device = solver.network.devices[index];
  if (device === undefined || operation.deviceStates[index] !== 'set') return false;
  if (imbalanceAmps(solver, device, solver.voltsRe, solver.voltsIm) >= thresholdAmps(device.protection))
    return true;
  const grounded = seesGroundedNeutral(solver, operation, index);
  if (device.protection.kind === 'gfci') solver.operate(operation);
  return grounded;
}

/** The operation in which a test is made. */
export function operationFor(solver: Solver, state: TestState | undefined): Operation {
  const given = operationOf(solver.network);
  if (state === undefined) return given;
  const tripped = new Set(state.tripped ?? []);
  return {
    faults: given.faults,
    loads: given.loads,
    loadsOff: state.loadsOff === true,
    breakerOn: given.breakerOn && state.breakerOff !== true,
    deviceStates: solver.network.devices.map(
      (device, index): DeviceState =>
        tripped.has(device.id) ? 'tripped' : (given.deviceStates[index] ?? 'set'),
    ),
  };
}
