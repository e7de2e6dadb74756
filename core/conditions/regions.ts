export const regionIds = ['north-america', 'uk'] as const;
export type Region = (typeof regionIds)[number];

/** What a region calls things, and between what its readings lie. */
export interface RegionFacts {
  readonly name: string;
  readonly nominalVolts: number;
  /** Between these a receptacle should read, hot to neutral. */
  readonly usualVolts: readonly [low: number, high: number];
  /** Above this a typed value is worth a second look. */
  readonly unusualVolts: number;
  readonly source: string;
  readonly colours: Readonly<Record<'hot' | 'neutral' | 'ground', string>>;
  readonly code: string;
}

/** From memory until the pages are open. */
export const regions: Readonly<Record<Region, RegionFacts>> = {
  'north-america': {
    name: 'North America, 120 V',
    nominalVolts: 120,
    usualVolts: [108, 126],
    unusualVolts: 250,
    source: 'ANSI C84.1, range A at the point of use',
    colours: { hot: 'black or red', neutral: 'white', ground: 'green or bare' },
    code: 'the electrical code as adopted locally',
  },
  uk: {
    name: 'United Kingdom, 230 V',
    nominalVolts: 230,
    usualVolts: [216.2, 253],
    unusualVolts: 440,
    source: 'UK supply regulations, +10 % −6 %, as BS 7671 repeats them',
    colours: { hot: 'brown (before: red)', neutral: 'blue (before: black)', ground: 'green and yellow' },
    code: 'BS 7671',
  },
};

/** The trade's words where they differ: North American word for word, longest first. */
const britishWords: readonly (readonly [string, string])[] = [
  ['ground-fault receptacle', 'socket-outlet with its own RCD'],
  ['ground-fault device', 'RCD'],
  ['ground-fault', 'earth-fault'],
  ['bootleg ground', 'false earth'],
  ['receptacle', 'socket-outlet'],
  ['grounded', 'earthed'],
  ['grounding', 'earthing'],
  ['grounds', 'earths'],
  ['ground', 'earth'],
  ['hot', 'line'],
  ['panel', 'consumer unit'],
  ['electrical code', 'wiring regulations'],
];

const casedAs = (model: string, word: string): string =>
  model[0] !== undefined && model[0] !== model[0].toLowerCase()
    ? `${word[0]?.toUpperCase() ?? ''}${word.slice(1)}`
    : word;

const pattern = new RegExp(`\\b(${britishWords.map(([word]) => word).join('|')})(s?)\\b`, 'gi');
const british = new Map(britishWords);

/** A text in a region's own words. */
export const inWordsOf = (region: Region, text: string): string =>
  region === 'north-america'
    ? text
    : text.replace(
        pattern,
        (whole, word: string, plural: string) =>
          casedAs(whole, british.get(word.toLowerCase()) ?? word) + plural,
      );
