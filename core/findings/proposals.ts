import type { Assessment, Verdict } from '../assessment/index.ts';
import type { Practice } from '../knowledge/index.ts';
import { type ConditionId, conditionIds, urgencies } from '../knowledge/index.ts';
import type { Proposal } from './finding.ts';
import type { FindingLanguage } from './finding-words.ts';
import { rules } from './rules/index.ts';

const rank = ({ urgency, condition, verdict, isDanger }: Proposal): number =>
  urgencies.indexOf(urgency) * 100 + (isDanger === true ? 0 : 1 + dangerOf(condition, verdict !== null));

/** What readings tell comes before what was seen or is of the house, and the more dangerous first. */
const dangerOf = (condition: ConditionId | null, isRead: boolean): number =>
  isRead ? conditionIds.indexOf(condition ?? 'correct') : 50;

/**
 * What is proposed to be reported of a house, the most pressing first. Receptacles of one cause share one proposal,
 * and so do those that the evidence cannot tell apart.
 */
export function proposalsFor(
  assessment: Assessment,
  practice: Practice,
  words: FindingLanguage,
): readonly Proposal[] {
  const { house } = assessment;
  const verdictOf = (id: string): Verdict | null => assessment.receptacles.get(id)?.verdict ?? null;
  return rules
    .flatMap((rule) => rule({ house, assessment, practice, verdictOf, words }))
    .sort((a, b) => rank(a) - rank(b));
}
