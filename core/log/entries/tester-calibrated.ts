import { z } from 'zod';
import { instrumentIds } from '../../instruments/index.ts';
import { daySchema, idSchema, textSchema } from '../envelope.ts';
import { entryKind } from './entry-kind.ts';

/** What stands on a tester or instrument: its serial number, and the day of its calibration; null takes it back. */
export const testerCalibrated = entryKind(
  'tester-calibrated',
  (envelope) =>
    z.strictObject({
      ...envelope,
      instrument: z.enum(instrumentIds),
      /** Which plug-in tester. */
      tester: idSchema().optional(),
      serial: textSchema(60).nullable().optional(),
      calibratedOn: daySchema().nullable().optional(),
    }),
  {
    kit: (kit, { instrument, tester, serial, calibratedOn }) => {
      const { practice } = kit.firm;
      const isIt = (one: { readonly instrument: string; readonly tester: string | null }): boolean =>
        one.instrument === instrument && one.tester === (tester ?? null);
      const all = practice.calibrations ?? [];
      const before = all.find(isIt) ?? {
        instrument,
        tester: tester ?? null,
        serial: null,
        calibratedOn: null,
      };
      const after = {
        ...before,
        ...(serial === undefined ? {} : { serial }),
        ...(calibratedOn === undefined ? {} : { calibratedOn }),
      };
      const calibrations = [...all.filter((one) => !isIt(one)), after];
      kit.firm = { ...kit.firm, practice: { ...practice, calibrations } };
    },
  },
);
