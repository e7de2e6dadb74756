import { z } from 'zod';
import { contactFields, type Instrument, meterSiemens } from './kind.ts';
import { contactsInVolts } from './state-schema.ts';
import { volts } from './value.ts';

export const earthMeterForm = () => ({
  asked: { instrument: z.literal('earth-meter') },
  shown: contactsInVolts,
});

/** A meter from each contact to a ground that was proved. */
export const earthMeter: Instrument = {
  seconds: 60,
  reads: { fields: contactFields, value: volts, siemens: () => meterSiemens },
};
