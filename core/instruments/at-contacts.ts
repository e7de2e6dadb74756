import type { ThreeTerminals } from '../physics/index.ts';
import { earth, endsOf, type Span } from './contacts.ts';

/** Siemens that an instrument puts across each span. */
export type Attachment = Readonly<Partial<Record<Span, number>>>;

/** Potentials of hot, neutral and ground contact against earth. */
export interface ContactVolts {
  readonly re: Float64Array;
  readonly im: Float64Array;
}

export const contactVolts = (): ContactVolts => ({ re: new Float64Array(3), im: new Float64Array(3) });

const matrixRe = new Float64Array(9);
const matrixIm = new Float64Array(9);
const siemens = new Float64Array(9);

/** Takes everything out that is plugged in. */
export const unplug = (): void => void siemens.fill(0);

/** Plugs so many siemens in between two contacts, or one and `earth`, beside what is plugged in already. */
export function connect(a: number, b: number, between: number): void {
  siemens[4 * a] = (siemens[4 * a] as number) + between;
  if (b === earth) return;
  siemens[4 * b] = (siemens[4 * b] as number) + between;
  siemens[3 * a + b] = (siemens[3 * a + b] as number) - between;
  siemens[3 * b + a] = (siemens[3 * b + a] as number) - between;
}

/** The contacts' potentials with an instrument plugged in, and nothing else. */
export function plugIn(outlet: ThreeTerminals, instrument: Attachment, volts: ContactVolts): void {
  unplug();
  for (const [span, between] of Object.entries(instrument)) {
    const [a, b] = endsOf[span as Span];
    connect(a, b, between);
  }
  settle(outlet, volts);
}

/**
 * The contacts' potentials with what is plugged in: (1 + Z·Y) V = V₀, where V₀ and Z are those of the outlet as three
 * terminals and Y is the instrument's.
 */
export function settle(outlet: ThreeTerminals, volts: ContactVolts): void {
  for (let row = 0; row < 3; row += 1)
    for (let column = 0; column < 3; column += 1) {
      let re = row === column ? 1 : 0;
      let im = 0;
      for (let k = 0; k < 3; k += 1) {
        const y = siemens[3 * k + column] as number;
        re += (outlet.ohmsRe[3 * row + k] as number) * y;
        im += (outlet.ohmsIm[3 * row + k] as number) * y;
      }
      matrixRe[3 * row + column] = re;
      matrixIm[3 * row + column] = im;
    }
  volts.re.set(outlet.voltsRe);
  volts.im.set(outlet.voltsIm);
  solveThree(volts.re, volts.im);
}

/** A measure of a matrix entry, good enough to choose a pivot by. */
const size = (row: number, column: number): number =>
  Math.abs(matrixRe[3 * row + column] as number) + Math.abs(matrixIm[3 * row + column] as number);

/** Gauss with row exchange on the 3 × 3 matrix above; the right-hand side becomes the solution. */
function solveThree(re: Float64Array, im: Float64Array): void {
  for (let k = 0; k < 3; k += 1) {
    let best = k;
    for (let row = k + 1; row < 3; row += 1) if (size(row, k) > size(best, k)) best = row;
    if (best !== k) exchange(k, best, re, im);
    const pRe = matrixRe[4 * k] as number;
    const pIm = matrixIm[4 * k] as number;
    const square = pRe * pRe + pIm * pIm;
    for (let row = k + 1; row < 3; row += 1) {
      const aRe = matrixRe[3 * row + k] as number;
      const aIm = matrixIm[3 * row + k] as number;
      const fRe = (aRe * pRe + aIm * pIm) / square;
      const fIm = (aIm * pRe - aRe * pIm) / square;
      for (let column = k + 1; column < 3; column += 1)
        subtract(matrixRe, matrixIm, 3 * row + column, fRe, fIm, 3 * k + column);
      subtract(re, im, row, fRe, fIm, k);
    }
  }
  for (let k = 2; k >= 0; k -= 1) {
    for (let column = k + 1; column < 3; column += 1) {
      const aRe = matrixRe[3 * k + column] as number;
      const aIm = matrixIm[3 * k + column] as number;
      subtract(re, im, k, aRe, aIm, column);
    }
    const pRe = matrixRe[4 * k] as number;
    const pIm = matrixIm[4 * k] as number;
    const square = pRe * pRe + pIm * pIm;
    const vRe = re[k] as number;
    const vIm = im[k] as number;
    re[k] = (vRe * pRe + vIm * pIm) / square;
    im[k] = (vIm * pRe - vRe * pIm) / square;
  }
}

function subtract(
  re: Float64Array,
  im: Float64Array,
  to: number,
  factorRe: number,
  factorIm: number,
  from: number,
): void {
  const fromRe = re[from] as number;
  const fromIm = im[from] as number;
  re[to] = (re[to] as number) - (factorRe * fromRe - factorIm * fromIm);
  im[to] = (im[to] as number) - (factorRe * fromIm + factorIm * fromRe);
}

function swap(array: Float64Array, i: number, j: number): void {
  const kept = array[i] as number;
  array[i] = array[j] as number;
  array[j] = kept;
}

function exchange(a: number, b: number, re: Float64Array, im: Float64Array): void {
  for (let column = 0; column < 3; column += 1) {
    swap(matrixRe, 3 * a + column, 3 * b + column);
    swap(matrixIm, 3 * a + column, 3 * b + column);
  }
  swap(re, a, b);
  swap(im, a, b);
}

/** The complex volts across a span: its first contact against its second, or against earth. */
export const voltsAcross = (span: Span, volts: ContactVolts): readonly [re: number, im: number] => {
  const [a, b] = endsOf[span];
  return [partBetween(volts.re, a, b), partBetween(volts.im, a, b)];
};

/** The real or imaginary part of the volts between two contacts, or one and `earth`. */
export const partBetween = (part: Float64Array, a: number, b: number): number =>
  (part[a] as number) - (b === earth ? 0 : (part[b] as number));
