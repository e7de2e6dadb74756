import { pairsInVolts, type Zod } from './form.ts';
import { type Instrument, metersPairs } from './kind.ts';

export const lowMeterForm = (z: Zod) => ({
  asked: { instrument: z.literal('meter-low') },
  shown: pairsInVolts(z),
});

export const lowMeterSiemens = 1 / 3e3;

/**
 * A meter of low impedance between the contacts: what is only induced collapses. It puts up to 40 mA on whatever it is
 * held to, so it is advised between hot and neutral alone.
 */
export const lowMeter: Instrument = {
  seconds: 20,
  reads: metersPairs(lowMeterSiemens),
  advised: ['hn'],
};
