import type { AssessmentWords } from '../../assessment/index.ts';

export const instruments: AssessmentWords['instruments'] = {
  lamps: {
    name: 'Plug-in lamps',
    test: 'Read the lamps',
  },
  meter: {
    name: 'Meter',
    test: 'Measure the three pairs',
  },
  'meter-low': {
    name: 'Low-impedance meter',
    test: 'Measure between line and neutral with low impedance',
  },
  'earth-meter': {
    name: 'Meter to a proven earth',
    test: 'Measure each contact to a proven earth',
  },
  probe: {
    name: 'Non-contact probe',
    test: 'Hold the probe to each contact',
  },
  loaded: {
    name: 'Load tester',
    test: 'Load test',
  },
  'gfci-button': {
    name: 'Tester’s RCD button',
    test: 'Press the tester’s RCD button',
  },
  'own-button': {
    name: 'Device’s own button',
    test: 'Press the device’s own test button',
  },
};
