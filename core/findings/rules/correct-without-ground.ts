import { conditions } from '../../conditions/index.ts';
import { receptaclesOf } from '../../inspection/index.ts';
import { evidenceAt } from '../evidence.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { fitsJumper, isThreeSlot, isUngrounded } from './grounds.ts';
import { type JudgedHouse, places } from './rule.ts';

/** Three-slot receptacles that read correct where no ground was ever run. */
export function correctWithoutGround({ house, verdictOf }: JudgedHouse): readonly Proposal[] {
  if (!isUngrounded(house)) return [];
  const there = receptaclesOf(house).filter((one) => {
    const verdict = verdictOf(one.id);
    return isThreeSlot(one) && verdict?.readsAs[0] === 'correct' && fitsJumper(verdict);
  });
  if (there.length === 0) return [];
  const hidden = conditions['bootleg-ground'];
  return [
    {
      ...seenOnly,
      key: 'house-correct-without-ground',
      urgency: 'repair',
      headline: 'Reads correct in a house wired without grounds',
      what: 'Either metal raceway or a bonded box brings a ground that nobody sees, or neutral and ground are jumpered.',
      why: hidden.why,
      correction:
        'A load test or a measurement of the ground path decides: a real ground shows neutral to ground rising by about half the drop, a jumper shows none. A licensed electrician looks in the box where it does not.',
      condition: 'bootleg-ground',
      isSuspected: true,
      openFirst: 'no box before a load test tells a real ground from a jumper',
      retest: hidden.retest,
      receptacles: places(there),
      evidence: there.flatMap(evidenceAt),
      notRuledOut: ['reversed-bootleg-ground', 'bootleg-ground'],
    },
  ];
}
