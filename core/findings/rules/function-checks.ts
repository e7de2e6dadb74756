import { instrumentWords } from '../../assessment/index.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import type { JudgedHouse } from './rule.ts';

const proofHeadlines = {
  'not-proved': 'not proved',
  'proved-before': 'not proved again afterwards',
  'proved-after': 'not proved beforehand',
  failed: 'failed its proof',
} as const;

export function unprovedTesters({ assessment }: JudgedHouse): readonly Proposal[] {
  const bad = assessment.functionChecks.flatMap(({ instrument, state, readings, doubted }) =>
    state === 'proved' || readings === 0
      ? []
      : [{ name: instrumentWords[instrument].name, words: proofHeadlines[state], doubted: doubted.length }],
  );
  if (bad.length === 0) return [];
  const doubted = bad.reduce((sum, one) => sum + one.doubted, 0);
  return [
    {
      ...seenOnly,
      key: 'house-testers',
      code: doubted > 0 ? 'house-testers-failed' : 'house-testers-not-proved',
      urgency: doubted > 0 ? 'repair' : 'note',
      headline: doubted > 0 ? 'A tester failed its proof' : 'Testers not proved before and after',
      what: bad.map(({ name, words }) => `${name}: ${words}.`).join(' '),
      why: 'A tester that fails may show nothing where there is something.',
      correction:
        doubted > 0
          ? `${doubted === 1 ? '1 reading is' : `${doubted} readings are`} read again with a tester that passes.`
          : 'Readings are taken as they are; a proof on a receptacle known to be good belongs before and after.',
      by: 'owner',
      receptacles: [],
    },
  ];
}
