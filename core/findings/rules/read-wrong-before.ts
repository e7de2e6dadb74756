import { type AssessedReceptacle, wrongBefore } from '../../assessment/index.ts';
import type { ConditionId } from '../../knowledge/index.ts';
import { type House, inOrder, type ReadingTaken } from '../../log/index.ts';
import { openFirstFor, type Proposal, seenOnly } from '../finding.ts';
import { type JudgedHouse, withEvidence } from './rule.ts';

/** Somebody took it over or refused it as it read then: that finding itself says that it reads otherwise now. */
const isDecided = (house: House, receptacle: string, reading: ReadingTaken): boolean =>
  house.findingEntries.some(
    (entry) =>
      entry.kind === 'finding-decided' &&
      entry.decision !== 'open' &&
      entry.held.receptacles.includes(receptacle) &&
      inOrder(entry, reading) > 0,
  );

/** What read wrong and reads correct now, without anybody having said why: it comes and goes, or was put right. */
export function readWrongBefore(judged: JudgedHouse): readonly Proposal[] {
  const gathered = new Map<ConditionId, AssessedReceptacle[]>();
  for (const one of judged.assessment.receptacles.values()) {
    const wrong = wrongBefore(one, judged.assessment);
    if (wrong === null || isDecided(judged.house, one.receptacle.id, wrong.reading)) continue;
    gathered.set(wrong.condition, [...(gathered.get(wrong.condition) ?? []), one]);
  }
  return [...gathered].map(([condition, there]) => {
    return {
      ...seenOnly,
      ...judged.words.rules.readWrongBefore(condition),
      key: `was-${condition}`,
      urgency: 'repair',
      condition,
      isSuspected: true,
      openFirst: openFirstFor(condition, judged.house, judged.words),
      ...withEvidence(
        there.map(({ receptacle }) => receptacle),
        judged.words,
      ),
    };
  });
}
