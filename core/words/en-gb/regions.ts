import type { CatalogWords } from '../../knowledge/index.ts';

export const regions: CatalogWords['regions'] = {
  'north-america': {
    name: 'North America, 120 V',
    source: 'ANSI C84.1, range A at the point of use',
    colours: {
      hot: 'black or red',
      neutral: 'white',
      ground: 'green or bare',
    },
    code: 'the wiring regulations as adopted locally',
  },
  uk: {
    name: 'United Kingdom, 230 V',
    source: 'UK supply regulations, +10 % −6 %, as BS 7671 repeats them',
    colours: {
      hot: 'brown (before: red)',
      neutral: 'blue (before: black)',
      ground: 'green and yellow',
    },
    code: 'BS 7671',
  },
};
