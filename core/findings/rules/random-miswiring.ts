import type { ConditionId } from '../../conditions/index.ts';
import { receptaclesOf } from '../../inspection/index.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { type JudgedHouse, places } from './rule.ts';

/** What somebody made by joining the wrong wires. */
const miswirings: readonly ConditionId[] = [
  'reversed-polarity',
  'hot-ground-reversed',
  'reversed-bootleg-ground',
  'bootleg-ground',
  'neutral-ground-swapped',
];
/** From so many boxes, and such a share of all that were tested, it is no accident (common practice: "many"). */
const manyBoxes = 4;
const manyShare = 0.15;

/** Miswired boxes here and there that no one cause explains. */
export function randomMiswiring({ house, assessment, verdictOf }: JudgedHouse): readonly Proposal[] {
  const all = receptaclesOf(house);
  const tested = all.filter(({ id }) => verdictOf(id) !== null);
  const miswired = tested.filter(({ id }) => miswirings.some((one) => verdictOf(id)?.readsAs[0] === one));
  const boxes = new Set(
    miswired.map(({ id }) => {
      const cause = assessment.receptacles.get(id)?.cause ?? null;
      return cause !== null ? `${cause.breaker} ${cause.position}` : id;
    }),
  );
  if (boxes.size < manyBoxes || miswired.length < manyShare * tested.length) return [];
  return [
    {
      ...seenOnly,
      key: 'house-miswired',
      openFirst: 'each box listed, the oldest first',
      retest: 'Lamps, probe and meter at every receptacle of the house.',
      urgency: 'repair',
      headline: 'Miswired in many places: unqualified work',
      what: `${miswired.length} of ${tested.length} receptacles tested are miswired, at ${boxes.size} places that have no cause in common.`,
      why: 'Whoever did this did more than the receptacles show: switches, splices and boxes that nobody has seen.',
      correction:
        'A licensed electrician looks at the whole system, not only at the receptacles listed; in old grey wiring hot is found by meter, never guessed.',
      receptacles: places(miswired),
    },
  ];
}
