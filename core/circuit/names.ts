// Names and usual settings that need no schema: what an engine in a browser takes along.

export const legs = ['L1', 'L2'] as const;
export type Leg = (typeof legs)[number];

export const conductors = ['hot', 'neutral', 'ground'] as const;
export type Conductor = (typeof conductors)[number];

export const metals = ['copper', 'aluminum', 'copper-clad-aluminum'] as const;
export type Metal = (typeof metals)[number];

/** Name of the place where every circuit begins. */
export const panel = 'panel';

/** A lamp is lit from 0.70 × nominal, dim from 0.54 × nominal, else off. */
export const lampStates = ['lit', 'dim', 'off'] as const;

export const instrumentIds = [
  'lamps',
  'meter',
  'meter-low',
  'earth-meter',
  'probe',
  'loaded',
  'gfci-button',
  'own-button',
] as const;
export type InstrumentId = (typeof instrumentIds)[number];

/** What a load tester draws at the nominal voltage, where the test does not say, in amperes. */
export const usualLoadAmps = 12;
/** What the button of a plug-in tester puts from hot to ground, in milliamperes. */
export const usualButtonMilliamps = 8;
