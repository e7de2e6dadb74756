import type { Assessment, Verdict } from '../assessment/index.ts';
import { conditionIds, urgencies } from '../conditions/index.ts';
import type { Practice } from '../corrections/index.ts';
import type { Proposal } from './finding.ts';
import { rules } from './rules/index.ts';

const rank = ({ urgency, condition, verdict }: Proposal): number =>
  urgencies.indexOf(urgency) * 100 +
  // What readings tell comes before what was seen or is of the house, and the more dangerous first.
  (verdict === null ? 50 : conditionIds.indexOf(condition ?? 'correct'));

/**
 * What is proposed to be reported of a house, the most pressing first. Receptacles of one cause share one proposal,
 * and so do those that the evidence cannot tell apart.
 */
export function proposalsFor(assessment: Assessment, practice: Practice): readonly Proposal[] {
  const { house } = assessment;
  const verdictOf = (id: string): Verdict | null => assessment.receptacles.get(id)?.verdict ?? null;
  return rules
    .flatMap((rule) => rule({ house, assessment, practice, verdictOf }))
    .sort((a, b) => rank(a) - rank(b));
}
