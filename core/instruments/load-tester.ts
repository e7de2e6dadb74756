import { pairsInVolts, type Zod } from './form.ts';
import { type Instrument, meterSiemens, metersPairs } from './kind.ts';

export const loadTesterForm = (z: Zod) => ({
  asked: { instrument: z.literal('loaded'), amps: z.number().positive().max(1000).optional() },
  shown: pairsInVolts(z),
});

/** What a load tester draws at the nominal voltage, where the test does not say, in amperes. */
export const usualLoadAmps = 12;

/** A load between hot and neutral, and a meter. Not through aluminum: it heats a bad splice. */
export const loadTester: Instrument = {
  seconds: 40,
  setting: { name: 'amps', usual: usualLoadAmps },
  reads: { ...metersPairs(meterSiemens), load: (amps, nominalVolts) => amps / nominalVolts },
  needs: 'copper',
};
