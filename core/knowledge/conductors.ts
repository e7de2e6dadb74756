import type { ConductorMetal } from './observations.ts';

/** Whether a conductor of a metal is sized, and mostly treated, as aluminum. */
export const countsAsAluminum = (metal: ConductorMetal): boolean =>
  metal === 'aluminum' || metal === 'copper-clad';
