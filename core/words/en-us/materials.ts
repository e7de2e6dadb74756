import type { CatalogWords } from '../../knowledge/index.ts';

export const metals: CatalogWords['metals'] = {
  copper: {
    name: 'Copper',
    signs: 'Copper-coloured outside and through the cut end.',
  },
  aluminum: {
    name: 'Aluminum',
    signs:
      'Silver right through the cut end; soft; one size fatter than copper would be; AL, ALUM or ALUMINUM on the jacket.',
  },
  'tinned-copper': {
    name: 'Tinned copper',
    signs: 'Silver outside, copper in the cut end; in rubber or cloth insulation, before about 1950.',
  },
  'copper-clad': {
    name: 'Copper-clad aluminum',
    signs:
      'Copper outside, silver in the cut end. Sized as aluminum; one school treats it as aluminum at terminals too, listings mostly accept it as copper.',
  },
  'not-sure': {
    name: 'Not sure',
    signs:
      'No cut end in sight: go by the jacket, the size against the breaker, the year and the neighbours.',
  },
};

export const insulations: CatalogWords['insulations'] = {
  plastic: 'Plastic, sound',
  'cloth-or-rubber': 'Cloth or rubber',
  brittle: 'Brittle',
  grey: 'All gone grey',
};

export const jackets: CatalogWords['jackets'] = {
  aluminum: 'AL, ALUM or ALUMINUM',
  none: 'None about metal',
};

export const markings: CatalogWords['markings'] = {
  none: 'None seen',
  'co-alr': 'CO/ALR',
  'cu-al': 'CU-AL (older, proved inadequate)',
  'cu-only': 'Copper only',
};
