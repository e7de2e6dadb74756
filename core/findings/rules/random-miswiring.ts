import type { ConditionId } from '../../knowledge/index.ts';
import { receptaclesOf } from '../../log/index.ts';
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
export function randomMiswiring({ house, assessment, verdictOf, words }: JudgedHouse): readonly Proposal[] {
  const all = receptaclesOf(house);
  const tested = all.filter(({ id }) => verdictOf(id) !== null);
  const miswired = tested.filter(({ id }) => miswirings.some((one) => verdictOf(id)?.readsAs[0] === one));
  const boxes = new Set(
    miswired.map(({ id }) => {
      const cause = assessment.receptacles.get(id)?.cause ?? null;
      return cause !== null ? `${cause.breaker}:${cause.position}` : id;
    }),
  );
  if (boxes.size < manyBoxes || miswired.length < manyShare * tested.length) return [];
  return [
    {
      ...seenOnly,
      ...words.rules.miswired({ miswired: miswired.length, tested: tested.length, places: boxes.size }),
      key: 'house-miswired',
      urgency: 'repair',
      receptacles: places(miswired),
    },
  ];
}
