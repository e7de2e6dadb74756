import { z } from 'zod';
import { type Instrument, meterSiemens, metersPairs } from './kind.ts';
import { pairsInVolts } from './state-schema.ts';

export const meterForm = () => ({ asked: { instrument: z.literal('meter') }, shown: pairsInVolts });

/** A meter of high impedance between the contacts. */
export const meter: Instrument = {
  seconds: 25,
  reads: metersPairs(meterSiemens),
  withLoadsOff: 'on-a-circuit',
  seesInduced: true,
};
