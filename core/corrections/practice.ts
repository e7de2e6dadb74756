import { type CodeInForce, noCodeSaid } from './references.ts';
import { type Schools, usualSchools } from './schools.ts';

/** How a firm decides where practitioners differ, and the code it works under. */
export interface Practice {
  readonly schools: Schools;
  readonly code: CodeInForce;
  /** Whether the years of the US ground-fault rules apply where the firm works. */
  readonly groundFaultRules: 'us' | 'off';
  /** Its own words for the correction of a condition, by the condition's id. */
  readonly corrections: Readonly<Record<string, string>>;
}

export const usualPractice: Practice = {
  schools: usualSchools,
  code: noCodeSaid,
  groundFaultRules: 'us',
  corrections: {},
};
