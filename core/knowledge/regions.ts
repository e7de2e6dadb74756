export const regionIds = ['north-america', 'uk'] as const;
export type Region = (typeof regionIds)[number];

/** What a language says of a region. */
export interface RegionWords {
  readonly name: string;
  /** Of its volts. */
  readonly source: string;
  readonly colours: Readonly<Record<'hot' | 'neutral' | 'ground', string>>;
  readonly code: string;
}

/** Between what a region's readings lie. */
export interface RegionFacts {
  readonly nominalVolts: number;
  /** Whether a house is fed by two legs, of which two breakers may share a neutral. */
  readonly twoLegs: boolean;
  /** Between these a receptacle should read, hot to neutral. */
  readonly usualVolts: readonly [low: number, high: number];
  /** Above this a typed value is worth a second look. */
  readonly unusualVolts: number;
}

/** ANSI C84.1, range A at the point of use; UK supply regulations, +10 % −6 %: from memory until the pages are open. */
export const regions: Readonly<Record<Region, RegionFacts>> = {
  'north-america': { nominalVolts: 120, twoLegs: true, usualVolts: [108, 126], unusualVolts: 250 },
  uk: { nominalVolts: 230, twoLegs: false, usualVolts: [216.2, 253], unusualVolts: 440 },
};
