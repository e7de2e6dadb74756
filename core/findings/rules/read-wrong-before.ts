import { type AssessedReceptacle, judgeByLamps } from '../../assessment/index.ts';
import type { ConditionId } from '../../knowledge/index.ts';
import { type House, inOrder, isPlainLamps, type ReadingTaken } from '../../log/index.ts';
import { openFirstFor, type Proposal, seenOnly } from '../finding.ts';
import { type JudgedHouse, withEvidence } from './rule.ts';

/** What plain lamps read as, where that asks for something to be done. */
function faultIn(reading: ReadingTaken): ConditionId | null {
  const { shown } = reading;
  if (!isPlainLamps(reading) || shown.instrument !== 'lamps') return null;
  const { readsAs, urgency } = judgeByLamps({ lamps: shown });
  return urgency === null ? null : (readsAs[0] ?? null);
}

/** Somebody took it over or refused it as it read then: that finding itself says that it reads otherwise now. */
const isDecided = (house: House, receptacle: string, reading: ReadingTaken): boolean =>
  house.findingEntries.some(
    (entry) =>
      entry.kind === 'finding-decided' &&
      entry.decision !== 'open' &&
      entry.held.receptacles.includes(receptacle) &&
      inOrder(entry, reading) > 0,
  );

/** The latest wrong reading of a receptacle that reads correct now; null where there is none, or none to be trusted. */
function wrongBefore(
  { receptacle, verdict }: AssessedReceptacle,
  { house, assessment }: JudgedHouse,
): ConditionId | null {
  if (verdict?.readsAs[0] !== 'correct') return null;
  const doubted = new Set(assessment.functionChecks.flatMap((one) => one.doubted));
  const wrong = receptacle.readings.findLast((one) => !doubted.has(one.id) && faultIn(one) !== null);
  return wrong === undefined || isDecided(house, receptacle.id, wrong) ? null : faultIn(wrong);
}

/** What read wrong and reads correct now, without anybody having said why: it comes and goes, or was put right. */
export function readWrongBefore(judged: JudgedHouse): readonly Proposal[] {
  const gathered = new Map<ConditionId, AssessedReceptacle[]>();
  for (const one of judged.assessment.receptacles.values()) {
    const condition = wrongBefore(one, judged);
    if (condition !== null) gathered.set(condition, [...(gathered.get(condition) ?? []), one]);
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
