import { pairsInVolts, type Zod } from './form.ts';
import { type Instrument, metersPairs } from './kind.ts';

export const lowMeterForm = (z: Zod) => ({
  asked: { instrument: z.literal('meter-low') },
  shown: pairsInVolts(z),
});

export const lowMeterSiemens = 1 / 3e3;

/** A meter of low impedance between the contacts: what is only induced collapses. */
export const lowMeter: Instrument = { seconds: 30, reads: metersPairs(lowMeterSiemens) };
