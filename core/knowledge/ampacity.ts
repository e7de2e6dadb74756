import { countsAsAluminum } from './conductors.ts';
import type { ConductorSize } from './house-parts.ts';
import type { ConductorMetal } from './observations.ts';

/**
 * Amperes that a conductor carries: NEC table 310.16, column of 60 °C, which counts for non-metallic cable (334.80) and
 * for terminals to 100 A (110.14(C)); all from memory.
 */
const at60: Readonly<Record<'copper' | 'aluminum', Readonly<Partial<Record<ConductorSize, number>>>>> = {
  copper: {
    '14': 15,
    '12': 20,
    '10': 30,
    '8': 40,
    '6': 55,
    '4': 70,
    '3': 85,
    '2': 95,
    '1': 110,
    '1/0': 125,
    '2/0': 145,
    '3/0': 165,
    '4/0': 195,
  },
  aluminum: {
    '12': 15,
    '10': 25,
    '8': 35,
    '6': 40,
    '4': 55,
    '3': 65,
    '2': 75,
    '1': 85,
    '1/0': 100,
    '2/0': 115,
    '3/0': 130,
    '4/0': 150,
  },
};

/** Ratings that breakers are made in: NEC 240.6(A), from memory. */
const ratings = [
  15, 20, 25, 30, 35, 40, 45, 50, 60, 70, 80, 90, 100, 110, 125, 150, 175, 200, 225, 250, 300, 350, 400,
] as const;

/** NEC 240.4(D): the smallest conductors are protected by no more than they carry; from memory. */
const small: ReadonlySet<ConductorSize> = new Set(['14', '12', '10']);

/**
 * The largest breaker for a conductor, in amperes: what it carries, or for 8 AWG and thicker the next rating that is
 * made (NEC 240.4(B), from memory). null where the table has no such conductor.
 */
export function largestBreaker(metal: ConductorMetal, size: ConductorSize): number | null {
  const carries = at60[countsAsAluminum(metal) ? 'aluminum' : 'copper'][size];
  if (carries === undefined) return null;
  return small.has(size) ? carries : (ratings.find((one) => one >= carries) ?? carries);
}

/** Aluminum of such a size is branch wiring that the retrofits are made for; thicker is still usual. */
export const isSmallAluminum = (metal: ConductorMetal | null, size: ConductorSize | null): boolean =>
  metal !== null && countsAsAluminum(metal) && (size === '12' || size === '10');
