import { conditions } from '../../conditions/index.ts';
import { receptaclesOf } from '../../inspection/index.ts';
import { evidenceAt } from '../evidence.ts';
import { noGrounds, type Proposal, seenOnly } from '../finding.ts';
import { isThreeSlot, isUngrounded } from './grounds.ts';
import { type JudgedHouse, places } from './rule.ts';

/** Three-slot receptacles that read open ground where no ground was ever run: one finding, however many. */
export function ungroundedSystem({ house, verdictOf }: JudgedHouse): readonly Proposal[] {
  if (!isUngrounded(house)) return [];
  const there = receptaclesOf(house).filter(
    (one) => isThreeSlot(one) && verdictOf(one.id)?.readsAs[0] === 'open-ground',
  );
  if (there.length === 0) return [];
  return [
    {
      ...seenOnly,
      key: 'house-ungrounded',
      urgency: 'repair',
      headline: 'Three-slot receptacles on wiring without a ground',
      what: 'The house was wired without grounds; receptacles that promise one were put in later.',
      why: 'Whoever plugs in what needs a ground believes it has one. A fault in a metal case is not carried away.',
      correction:
        'A licensed electrician chooses with you: ground-fault protection with its labels, a ground run to each, new cable, or two-slot receptacles again.',
      condition: 'open-ground',
      openFirst: noGrounds,
      retest: conditions['open-ground'].retest,
      receptacles: places(there),
      evidence: there.flatMap(evidenceAt),
    },
  ];
}
