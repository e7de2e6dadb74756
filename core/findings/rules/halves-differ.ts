import { receptaclesOf } from '../../log/index.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { type JudgedHouse, withEvidence } from './rule.ts';

/** The halves of a receptacle read otherwise, and only one of them is entered. */
export function halvesDiffer({ house, words }: JudgedHouse): readonly Proposal[] {
  const all = receptaclesOf(house);
  const entered = new Set(all.map(({ halfOf }) => halfOf));
  const there = all.filter(({ id, halves }) => halves?.alike === false && !entered.has(id));
  if (there.length === 0) return [];
  return [
    {
      ...seenOnly,
      ...words.rules.halvesDiffer,
      key: 'halves-differ',
      urgency: 'repair',
      ...withEvidence(there, words),
    },
  ];
}
