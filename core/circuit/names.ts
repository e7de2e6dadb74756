// Names and usual settings that need no schema: what an engine in a browser takes along.

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
