import { type ThreeTerminals, threeTerminals } from '../../physics/index.ts';

/** Stands for the earth beside contacts 0 (hot), 1 (neutral) and 2 (ground). */
export const toEarth = -1;

/**
 * An outlet's three terminals while instruments are attached to them, one branch after another. For every fitted
 * quantity (a load's or a bad connection's conductance) it also carries the potentials that one ampere through
 * that branch would cause here, and the volts across the branch: with both, the change of any volts here per
 * siemens of the branch is −response · volts across (compensation theorem, from memory), exactly.
 */
export interface Terminals extends ThreeTerminals {
  readonly branches: number;
  /** Row per branch: potentials of the three contacts per ampere through it. */
  readonly responseRe: Float64Array;
  readonly responseIm: Float64Array;
  /** Volts across each branch. */
  readonly acrossRe: Float64Array;
  readonly acrossIm: Float64Array;
}

export const terminals = (branches: number): Terminals => ({
  ...threeTerminals(),
  branches,
  responseRe: new Float64Array(3 * branches),
  responseIm: new Float64Array(3 * branches),
  acrossRe: new Float64Array(branches),
  acrossIm: new Float64Array(branches),
});

/** Faster than `set` for a handful of numbers. */
function copy(from: Float64Array, to: Float64Array): void {
  for (let index = 0; index < from.length; index += 1) to[index] = from[index] as number;
}

export function copyTerminals(from: Terminals, to: Terminals): void {
  copy(from.voltsRe, to.voltsRe);
  copy(from.voltsIm, to.voltsIm);
  copy(from.ohmsRe, to.ohmsRe);
  copy(from.ohmsIm, to.ohmsIm);
  if (from.branches === 0) return;
  copy(from.responseRe, to.responseRe);
  copy(from.responseIm, to.responseIm);
  copy(from.acrossRe, to.acrossRe);
  copy(from.acrossIm, to.acrossIm);
}

const at = (array: Float64Array, index: number): number => array[index] as number;
/** Element of a vector over the contacts, nought for earth. */
const over = (array: Float64Array, contact: number, offset = 0): number =>
  contact === toEarth ? 0 : (array[offset + contact] as number);

/** Impedance between two contacts, or one and earth, into `complex`. */
function ohmsAcross({ ohmsRe, ohmsIm }: ThreeTerminals, a: number, b: number): void {
  if (b === toEarth) {
    complex[0] = at(ohmsRe, 4 * a);
    complex[1] = at(ohmsIm, 4 * a);
    return;
  }
  complex[0] = at(ohmsRe, 4 * a) + at(ohmsRe, 4 * b) - at(ohmsRe, 3 * a + b) - at(ohmsRe, 3 * b + a);
  complex[1] = at(ohmsIm, 4 * a) + at(ohmsIm, 4 * b) - at(ohmsIm, 3 * a + b) - at(ohmsIm, 3 * b + a);
}
const complex = new Float64Array(2);

/** Size of the impedance between two contacts, or one and earth. */
export function ohmsBetween(outlet: ThreeTerminals, a: number, b: number): number {
  ohmsAcross(outlet, a, b);
  return Math.abs(at(complex, 0)) + Math.abs(at(complex, 1));
}

/** Volts that a meter of so many siemens shows between two contacts, or one and earth, with nothing kept attached. */
export function metered(outlet: ThreeTerminals, a: number, b: number, siemens: number): number {
  ohmsAcross(outlet, a, b);
  const re = at(outlet.voltsRe, a) - over(outlet.voltsRe, b);
  const im = at(outlet.voltsIm, a) - over(outlet.voltsIm, b);
  const denominator = Math.sqrt((1 + siemens * at(complex, 0)) ** 2 + (siemens * at(complex, 1)) ** 2);
  return Math.sqrt(re * re + im * im) / denominator;
}

const columnRe = new Float64Array(3);
const columnIm = new Float64Array(3);

/** Attaches a branch of so many siemens between two contacts, or one and earth, and keeps it there. */
export function attach(outlet: Terminals, a: number, b: number, siemens: number): void {
  const { voltsRe, voltsIm, ohmsRe, ohmsIm } = outlet;
  ohmsAcross(outlet, a, b);
  const pivotRe = 1 + siemens * (complex[0] as number);
  const pivotIm = siemens * (complex[1] as number);
  const square = pivotRe * pivotRe + pivotIm * pivotIm;
  const factorRe = (siemens * pivotRe) / square;
  const factorIm = (-siemens * pivotIm) / square;
  for (let row = 0; row < 3; row += 1) {
    columnRe[row] = (ohmsRe[3 * row + a] as number) - (b === toEarth ? 0 : (ohmsRe[3 * row + b] as number));
    columnIm[row] = (ohmsIm[3 * row + a] as number) - (b === toEarth ? 0 : (ohmsIm[3 * row + b] as number));
  }
  const vRe = (voltsRe[a] as number) - (b === toEarth ? 0 : (voltsRe[b] as number));
  const vIm = (voltsIm[a] as number) - (b === toEarth ? 0 : (voltsIm[b] as number));
  const ampsRe = factorRe * vRe - factorIm * vIm;
  const ampsIm = factorRe * vIm + factorIm * vRe;
  if (outlet.branches > 0) attachResponses(outlet, a, b, factorRe, factorIm, vRe, vIm);
  for (let row = 0; row < 3; row += 1) {
    const cRe = columnRe[row] as number;
    const cIm = columnIm[row] as number;
    voltsRe[row] = (voltsRe[row] as number) - (cRe * ampsRe - cIm * ampsIm);
    voltsIm[row] = (voltsIm[row] as number) - (cRe * ampsIm + cIm * ampsRe);
    const gRe = cRe * factorRe - cIm * factorIm;
    const gIm = cRe * factorIm + cIm * factorRe;
    for (let other = 0; other < 3; other += 1) {
      const oRe = columnRe[other] as number;
      const oIm = columnIm[other] as number;
      ohmsRe[3 * row + other] = (ohmsRe[3 * row + other] as number) - (gRe * oRe - gIm * oIm);
      ohmsIm[3 * row + other] = (ohmsIm[3 * row + other] as number) - (gRe * oIm + gIm * oRe);
    }
  }
}

function attachResponses(
  { responseRe, responseIm, acrossRe, acrossIm, branches }: Terminals,
  a: number,
  b: number,
  factorRe: number,
  factorIm: number,
  vRe: number,
  vIm: number,
): void {
  for (let p = 0; p < branches; p += 1) {
    const from = 3 * p;
    const uRe = (responseRe[from + a] as number) - (b === toEarth ? 0 : (responseRe[from + b] as number));
    const uIm = (responseIm[from + a] as number) - (b === toEarth ? 0 : (responseIm[from + b] as number));
    const gRe = uRe * factorRe - uIm * factorIm;
    const gIm = uRe * factorIm + uIm * factorRe;
    for (let row = 0; row < 3; row += 1) {
      const cRe = columnRe[row] as number;
      const cIm = columnIm[row] as number;
      responseRe[from + row] = (responseRe[from + row] as number) - (cRe * gRe - cIm * gIm);
      responseIm[from + row] = (responseIm[from + row] as number) - (cRe * gIm + cIm * gRe);
    }
    acrossRe[p] = (acrossRe[p] as number) - (gRe * vRe - gIm * vIm);
    acrossIm[p] = (acrossIm[p] as number) - (gRe * vIm + gIm * vRe);
  }
}

/** Volts between two contacts, or one and earth. */
export function voltsBetween({ voltsRe, voltsIm }: ThreeTerminals, a: number, b: number): number {
  const re = at(voltsRe, a) - over(voltsRe, b);
  const im = at(voltsIm, a) - over(voltsIm, b);
  return Math.sqrt(re * re + im * im);
}

/** Volts so few have no direction of their own: whatever changes them makes them more. */
const noVolts = 2e-3;

/** Change of those volts per siemens of a branch; where there are none, what an increase makes of them. */
export function voltsPerSiemens(outlet: Terminals, a: number, b: number, branch: number): number {
  const { voltsRe, voltsIm, responseRe, responseIm, acrossRe, acrossIm } = outlet;
  const re = at(voltsRe, a) - over(voltsRe, b);
  const im = at(voltsIm, a) - over(voltsIm, b);
  const size = Math.sqrt(re * re + im * im);
  const zRe = at(responseRe, 3 * branch + a) - over(responseRe, b, 3 * branch);
  const zIm = at(responseIm, 3 * branch + a) - over(responseIm, b, 3 * branch);
  const dRe = zRe * at(acrossRe, branch) - zIm * at(acrossIm, branch);
  const dIm = zRe * at(acrossIm, branch) + zIm * at(acrossRe, branch);
  if (size < noVolts) return Math.sqrt(dRe * dRe + dIm * dIm);
  return -(re * dRe + im * dIm) / size;
}

/**
 * Volts that a meter of so many siemens shows between two contacts, or one and earth, and their change per siemens of
 * each branch times `scale`, into `slopes` from `offset` on: what `attach`, `voltsBetween` and `voltsPerSiemens` would
 * answer one after another.
 */
export function meteredWithSlopes(
  outlet: Terminals,
  a: number,
  b: number,
  siemens: number,
  scale: number,
  slopes: Float64Array,
  offset: number,
): number {
  const { voltsRe, voltsIm, responseRe, responseIm, acrossRe, acrossIm, branches } = outlet;
  ohmsAcross(outlet, a, b);
  const pivotRe = 1 + siemens * at(complex, 0);
  const pivotIm = siemens * at(complex, 1);
  const square = pivotRe * pivotRe + pivotIm * pivotIm;
  const openRe = at(voltsRe, a) - over(voltsRe, b);
  const openIm = at(voltsIm, a) - over(voltsIm, b);
  const re = (openRe * pivotRe + openIm * pivotIm) / square;
  const im = (openIm * pivotRe - openRe * pivotIm) / square;
  const size = Math.sqrt(re * re + im * im);
  for (let p = 0; p < branches; p += 1) {
    const uRe = (responseRe[3 * p + a] as number) - (b === toEarth ? 0 : (responseRe[3 * p + b] as number));
    const uIm = (responseIm[3 * p + a] as number) - (b === toEarth ? 0 : (responseIm[3 * p + b] as number));
    const withMeterRe = (uRe * pivotRe + uIm * pivotIm) / square;
    const withMeterIm = (uIm * pivotRe - uRe * pivotIm) / square;
    const xRe = (acrossRe[p] as number) - siemens * (withMeterRe * openRe - withMeterIm * openIm);
    const xIm = (acrossIm[p] as number) - siemens * (withMeterRe * openIm + withMeterIm * openRe);
    const dRe = withMeterRe * xRe - withMeterIm * xIm;
    const dIm = withMeterRe * xIm + withMeterIm * xRe;
    slopes[offset + p] =
      size < noVolts ? scale * Math.sqrt(dRe * dRe + dIm * dIm) : (-scale * (re * dRe + im * dIm)) / size;
  }
  return size;
}
