import { type CodeInForce, noCodeSaid } from './references.ts';
import { type Schools, usualSchools } from './schools.ts';

/** What stands on a tester or an instrument of the firm. */
export interface Calibration {
  /** An instrument's id. */
  readonly instrument: string;
  /** Which plug-in tester; null: the one instrument of its kind. */
  readonly tester: string | null;
  readonly serial: string | null;
  /** Day of its calibration, such as 2026-05-04. */
  readonly calibratedOn: string | null;
}

/** How a firm decides where practitioners differ, and the code it works under. */
export interface Practice {
  readonly schools: Schools;
  readonly code: CodeInForce;
  /** Whether the years of the US ground-fault rules apply where the firm works. */
  readonly groundFaultRules: 'us' | 'off';
  /** Its own words for the correction of a condition, by the condition's id. */
  readonly corrections: Readonly<Record<string, string>>;
  /** Of what it works with; left out where nothing is known. */
  readonly calibrations?: readonly Calibration[];
}

/** What stands on the tester or instrument that something was read with; null where nobody entered it. */
export const calibrationOf = (
  { calibrations = [] }: Practice,
  instrument: string,
  tester: string | null,
): Calibration | null =>
  calibrations.find((one) => one.instrument === instrument && one.tester === tester) ?? null;

export const usualPractice: Practice = {
  schools: usualSchools,
  code: noCodeSaid,
  groundFaultRules: 'us',
  corrections: {},
};
