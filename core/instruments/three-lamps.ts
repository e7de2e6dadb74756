import { lampFields, type Zod } from './form.ts';
import { type Instrument, pairFields } from './kind.ts';
import { lamp } from './value.ts';

export const threeLampsForm = (z: Zod) => ({
  asked: { instrument: z.literal('lamps') },
  shown: lampFields(z),
});

/** What each lamp takes. */
export const lampSiemens = 1 / 100e3;

/** The plug-in tester: three lamps across the three pairs. */
export const threeLamps: Instrument = {
  seconds: 5,
  reads: {
    fields: pairFields,
    value: lamp,
    siemens: () => lampSiemens,
    together: true,
    perVolt: (_, nominalVolts) => 1 / nominalVolts,
  },
  withLoadsOff: 'always',
};
