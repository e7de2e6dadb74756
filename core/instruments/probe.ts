import type { Zod } from './form.ts';
import { contactFields, type Instrument } from './kind.ts';
import { sounds } from './value.ts';

export const probeForm = (z: Zod) => ({
  asked: { instrument: z.literal('probe') },
  shown: { hot: z.boolean(), neutral: z.boolean(), ground: z.boolean() },
});

/** The non-contact probe, held to one contact after the other. */
export const probe: Instrument = {
  seconds: 10,
  reads: { fields: contactFields, value: sounds, siemens: () => 0 },
};
