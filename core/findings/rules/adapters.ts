import { receptaclesOf } from '../../inspection/index.ts';
import { evidenceAt } from '../evidence.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { fitsJumper } from './grounds.ts';
import { type JudgedHouse, places } from './rule.ts';

/** Adapters in use; one school leaves those whose ground was verified. */
export function adapters({ house, practice, verdictOf }: JudgedHouse): readonly Proposal[] {
  const there = receptaclesOf(house).filter(({ id, adapter }) => {
    if (!adapter) return false;
    const verdict = verdictOf(id);
    return practice.schools.adapters === 'never' || verdict?.readsAs[0] !== 'correct' || fitsJumper(verdict);
  });
  if (there.length === 0) return [];
  return [
    {
      ...seenOnly,
      key: 'house-adapters',
      urgency: 'repair',
      headline: 'Three-to-two adapters in use',
      what: 'The adapter’s tab grounds only where plate screw, yoke, metal box and raceway are all joined to ground.',
      why: 'It lets three prongs in and mostly grounds nothing.',
      correction:
        'Taken out; equipment with three prongs goes to a grounded receptacle. A licensed electrician makes one where it is needed.',
      condition: 'open-ground',
      receptacles: places(there),
      evidence: there.flatMap(evidenceAt),
    },
  ];
}
