import { contactsInVolts, type Zod } from './form.ts';
import { contactFields, type Instrument, meterSiemens } from './kind.ts';
import { volts } from './value.ts';

export const earthMeterForm = (z: Zod) => ({
  asked: { instrument: z.literal('earth-meter') },
  shown: contactsInVolts(z),
});

/** A meter from each contact to a ground that was proved. */
export const earthMeter: Instrument = {
  seconds: 60,
  reads: { fields: contactFields, value: volts, siemens: () => meterSiemens },
};
