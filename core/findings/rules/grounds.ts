import type { Verdict } from '../../assessment/index.ts';
import type { House, Receptacle } from '../../log/index.ts';

/** To about this year cable came without a ground (common practice: 1962–65). */
const lastWithoutGround = 1962;

/** Said of it, or of an age that hardly had grounds, and nobody said otherwise. */
export const isUngrounded = ({ groundedWiring, yearBuilt }: House): boolean =>
  groundedWiring === false ||
  (groundedWiring === null && yearBuilt !== null && yearBuilt <= lastWithoutGround);

export const isThreeSlot = ({ type }: Receptacle): boolean =>
  type !== 'two-slot' && type !== 'range-or-dryer';

export const fitsJumper = (verdict: Verdict): boolean => verdict.notRuledOut.includes('bootleg-ground');
