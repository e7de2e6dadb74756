import type { InstrumentId, TestState } from '../circuit/index.ts';

/** What an inspector calls each instrument, and what is done with it. */
export const instrumentWords: Readonly<
  Record<InstrumentId, { readonly name: string; readonly test: string }>
> = {
  lamps: { name: 'Plug-in lamps', test: 'Read the lamps' },
  meter: { name: 'Meter', test: 'Measure the three pairs' },
  'meter-low': { name: 'Low-impedance meter', test: 'Measure with low impedance' },
  'earth-meter': { name: 'Meter to a proven ground', test: 'Measure each contact to a proven ground' },
  probe: { name: 'Non-contact probe', test: 'Hold the probe to each contact' },
  loaded: { name: 'Load tester', test: 'Load test' },
  'gfci-button': { name: 'Tester’s ground-fault button', test: 'Press the tester’s ground-fault button' },
  'own-button': { name: 'Device’s own button', test: 'Press the device’s own test button' },
};

/** "Read the lamps, everything on the circuit off" */
export const testInWords = (instrument: InstrumentId, state?: TestState): string =>
  instrumentWords[instrument].test + (state?.loadsOff ? ' again, everything on the circuit off' : '');
