import { defectFacts, type Look, looks } from '../../knowledge/index.ts';
import { receptaclesOf } from '../../log/index.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { type JudgedHouse, withEvidence } from './rule.ts';

/** What was seen without a tester, one finding a look. */
export function visibleDefects({ house, words }: JudgedHouse): readonly Proposal[] {
  const all = receptaclesOf(house);
  return looks.flatMap((look: Look): readonly Proposal[] => {
    const { urgency, danger } = defectFacts[look];
    const there = all.filter((one) => one.looks.includes(look));
    if (urgency === null || there.length === 0) return [];
    return [
      {
        ...seenOnly,
        ...words.rules.visibleDefect(look),
        key: `seen-${look}`,
        urgency,
        isDanger: danger !== null,
        ...withEvidence(there, words),
      },
    ];
  });
}
