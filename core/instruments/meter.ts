import { pairsInVolts, type Zod } from './form.ts';
import { type Instrument, meterSiemens, metersPairs } from './kind.ts';

export const meterForm = (z: Zod) => ({ asked: { instrument: z.literal('meter') }, shown: pairsInVolts(z) });

/** A meter of high impedance between the contacts. */
export const meter: Instrument = {
  seconds: 25,
  reads: metersPairs(meterSiemens),
  withLoadsOff: 'on-a-circuit',
  seesInduced: true,
};
