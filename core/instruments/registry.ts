import { earthMeter } from './earth-meter.ts';
import type { Instrument } from './kind.ts';
import { loadTester } from './load-tester.ts';
import { lowMeter } from './low-meter.ts';
import { meter } from './meter.ts';
import { ownButton } from './own-button.ts';
import { probe } from './probe.ts';
import type { Reading } from './reading-schema.ts';
import { testerButton } from './tester-button.ts';
import { threeLamps } from './three-lamps.ts';

export type InstrumentId = Reading['instrument'];

/** Every instrument that is known: a file, and a line here and in the schema of readings. */
export const instruments: Readonly<Record<InstrumentId, Instrument>> = {
  lamps: threeLamps,
  meter,
  'meter-low': lowMeter,
  'earth-meter': earthMeter,
  probe,
  loaded: loadTester,
  'gfci-button': testerButton,
  'own-button': ownButton,
};

export const instrumentIds = Object.keys(instruments) as readonly InstrumentId[] as readonly [
  InstrumentId,
  ...InstrumentId[],
];

/** True where readings of it say what a device did, and so nothing of a receptacle by itself. */
export const isOfDevice = (id: InstrumentId): boolean => instruments[id].needs === 'own-device';
