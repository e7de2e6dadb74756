import { receptaclesOf } from '../../log/index.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { fitsJumper } from './grounds.ts';
import { type JudgedHouse, withEvidence } from './rule.ts';

/** Adapters in use; one school leaves those whose ground was verified. */
export function adapters(judged: JudgedHouse): readonly Proposal[] {
  const { house, practice, verdictOf, words } = judged;
  const there = receptaclesOf(house).filter(({ id, adapter, adapterTab }) => {
    if (!adapter) return false;
    if (adapterTab === 'grounded' && practice.schools.adapters !== 'never') return false;
    if (adapterTab === 'not-grounded') return true;
    const verdict = verdictOf(id);
    return practice.schools.adapters === 'never' || verdict?.readsAs[0] !== 'correct' || fitsJumper(verdict);
  });
  if (there.length === 0) return [];
  return [
    {
      ...seenOnly,
      ...words.rules.adapters,
      key: 'house-adapters',
      urgency: 'repair',
      condition: 'open-ground',
      ...withEvidence(there, words),
    },
  ];
}
