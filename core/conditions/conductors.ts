import type { ConductorMetal } from './observations.ts';

/** How a conductor's metal is told, for one who sees a cut end. */
export const metalSigns: Readonly<
  Record<ConductorMetal, { readonly name: string; readonly signs: string; readonly isAluminum: boolean }>
> = {
  copper: { name: 'Copper', signs: 'Copper-coloured outside and through the cut end.', isAluminum: false },
  aluminum: {
    name: 'Aluminum',
    signs:
      'Silver right through the cut end; soft; one size fatter than copper would be; AL, ALUM or ALUMINUM on the jacket.',
    isAluminum: true,
  },
  'tinned-copper': {
    name: 'Tinned copper',
    signs: 'Silver outside, copper in the cut end; in rubber or cloth insulation, before about 1950.',
    isAluminum: false,
  },
  'copper-clad': {
    name: 'Copper-clad aluminum',
    signs:
      'Copper outside, silver in the cut end. Sized as aluminum; one school treats it as aluminum at terminals too, listings mostly accept it as copper.',
    isAluminum: true,
  },
  'not-sure': {
    name: 'Not sure',
    signs:
      'No cut end in sight: go by the jacket, the size against the breaker, the year and the neighbours.',
    isAluminum: false,
  },
};
