import { type Proposal, seenOnly } from '../finding.ts';
import type { JudgedHouse } from './rule.ts';

export function unprovedTesters({ assessment, words }: JudgedHouse): readonly Proposal[] {
  const bad = assessment.functionChecks.flatMap(({ instrument, state, readings, doubted }) =>
    state === 'proved' || readings === 0 ? [] : [{ instrument, state, doubted: doubted.length }],
  );
  if (bad.length === 0) return [];
  const doubted = bad.reduce((sum, one) => sum + one.doubted, 0);
  return [
    {
      ...seenOnly,
      ...(doubted > 0
        ? words.rules.testersFailed({ testers: bad, doubted })
        : words.rules.testersNotProved(bad)),
      key: 'house-testers',
      code: doubted > 0 ? 'house-testers-failed' : 'house-testers-not-proved',
      urgency: doubted > 0 ? 'repair' : 'note',
      by: 'owner',
      receptacles: [],
    },
  ];
}
