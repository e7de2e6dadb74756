import { z } from 'zod';
import { type Instrument, pairFields } from './kind.ts';
import { lampStates } from './lamps.ts';
import { lamp } from './value.ts';

const glow = () => z.enum(lampStates);
export const lampFields = () => ({ hn: glow(), hg: glow(), ng: glow() });
export const threeLampsForm = () => ({
  asked: { instrument: z.literal('lamps') },
  shown: lampFields(),
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
