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
