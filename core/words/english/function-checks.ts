import type { AssessmentWords } from '../../assessment/index.ts';
import type { RuleWords } from '../../findings/index.ts';
import type { FunctionCheckState } from '../../log/index.ts';

export const functionChecks: Readonly<Record<FunctionCheckState, string>> = {
  'not-proved': 'not checked in this house',
  'proved-before': 'checked before, not yet after',
  'proved-after': 'checked after, not before',
  proved: 'checked before and after',
  dropped: 'dropped, and not checked since',
  failed: 'failed its function check',
};

const unproved = {
  'not-proved': 'not checked',
  'proved-before': 'not checked again afterwards',
  'proved-after': 'not checked beforehand',
  dropped: 'dropped, and not checked since',
  failed: 'failed its function check',
} as const;

/** What testers were not checked for; those of one kind of which the same holds are spoken of once. */
export const unprovedTesters = (
  testers: Parameters<RuleWords['testersNotProved']>[0],
  instruments: AssessmentWords['instruments'],
): string =>
  [
    ...new Set(
      testers.map(({ instrument, state }) => `${instruments[instrument].name}: ${unproved[state]}.`),
    ),
  ].join(' ');
