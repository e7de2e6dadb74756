import { type Proposal, seenOnly } from '../finding.ts';
import type { JudgedHouse } from './rule.ts';

export function lostService({ assessment, words }: JudgedHouse): readonly Proposal[] {
  const lost = assessment.serviceNeutral;
  if (lost === null) return [];
  const { evidence, ...text } = words.rules.lostServiceNeutral({ high: lost.highVolts, low: lost.lowVolts });
  return [
    {
      ...seenOnly,
      ...text,
      key: 'house-service-neutral',
      urgency: 'act-now',
      by: 'utility',
      condition: 'lost-shared-neutral',
      receptacles: [],
      evidence: [{ receptacle: null, words: evidence, at: null }],
    },
  ];
}
