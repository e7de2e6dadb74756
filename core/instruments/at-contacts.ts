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

/**
 * The contacts' potentials with an instrument plugged in: (1 + Z·Y) V = V₀, where V₀ and Z are those of the
 * outlet as three terminals and Y is the instrument's.
 */
export function plugIn(outlet: ThreeTerminals, instrument: Attachment, volts: ContactVolts): void {
  const { hn = 0, hg = 0, ng = 0, hot = 0, neutral = 0, ground = 0 } = instrument;
  siemens[0] = hn + hg + hot;
  siemens[4] = hn + ng + neutral;
  siemens[8] = hg + ng + ground;
  siemens[1] = -hn;
  siemens[3] = -hn;
  siemens[2] = -hg;
  siemens[6] = -hg;
  siemens[5] = -ng;
  siemens[7] = -ng;
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
export function voltsAcross(span: Span, { re, im }: ContactVolts): readonly [re: number, im: number] {
  const [a, b] = endsOf[span];
  const [baseRe, baseIm] = b === earth ? [0, 0] : [re[b] as number, im[b] as number];
  return [(re[a] as number) - baseRe, (im[a] as number) - baseIm];
}
