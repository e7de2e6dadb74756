import { z } from 'zod';
import { type Instrument, metersPairs } from './kind.ts';
import { pairsInVolts } from './state-schema.ts';

export const lowMeterForm = () => ({ asked: { instrument: z.literal('meter-low') }, shown: pairsInVolts });

export const lowMeterSiemens = 1 / 3e3;

/** A meter of low impedance between the contacts: what is only induced collapses. */
export const lowMeter: Instrument = { seconds: 30, reads: metersPairs(lowMeterSiemens) };
