import { type Assessment, pressingDoubtOf, type Verdict } from '../../assessment/index.ts';
import { conditionIds, conditions, type Practice, type Urgency } from '../../knowledge/index.ts';
import type { House, Receptacle } from '../../log/index.ts';
import { evidenceAt } from '../evidence.ts';
import type { Place, Proposal } from '../finding.ts';
import type { FindingLanguage } from '../finding-words.ts';

/** What a rule goes by. */
export interface JudgedHouse {
  readonly house: House;
  readonly assessment: Assessment;
  readonly practice: Practice;
  readonly verdictOf: (id: string) => Verdict | null;
  /** What it is said with. */
  readonly words: FindingLanguage;
}

/** What one thing that may be wrong with a house proposes to report. */
export type Rule = (judged: JudgedHouse) => readonly Proposal[];

export const places = (all: readonly Receptacle[]): readonly Place[] =>
  all.map(({ id, name }) => ({ id, name }));

/** Receptacles of a finding, with all that was read and seen there. */
export const withEvidence = (
  all: readonly Receptacle[],
  words: FindingLanguage,
): Pick<Proposal, 'receptacles' | 'evidence'> => ({
  receptacles: places(all),
  evidence: all.flatMap((one) => evidenceAt(one, words)),
});

/** A rule's own urgency, or that of what may hide behind one of its receptacles and has to be acted on now, with the reason. */
export function urgencyAt(
  own: Urgency,
  there: readonly Receptacle[],
  { assessment, words }: JudgedHouse,
): Pick<Proposal, 'urgency' | 'urgencyReason'> {
  const doubts = there.map(({ id }) => {
    const judged = assessment.receptacles.get(id)?.judged ?? null;
    return judged === null ? null : pressingDoubtOf(judged);
  });
  // The most dangerous first.
  const hidden = conditionIds.find((id) => doubts.includes(id) && conditions[id].urgency === 'act-now');
  return hidden === undefined
    ? { urgency: own, urgencyReason: null }
    : { urgency: 'act-now', urgencyReason: words.readingFindings.raisedBy(hidden) };
}
