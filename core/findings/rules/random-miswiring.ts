import { receptaclesOf } from '../../log/index.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { type JudgedHouse, places } from './rule.ts';

/** Miswired boxes here and there that neither one cause nor accident explains. */
export function randomMiswiring({
  house,
  assessment: { miswired },
  words,
}: JudgedHouse): readonly Proposal[] {
  if (miswired === null) return [];
  const { receptacles, tested, places: found, expected } = miswired;
  return [
    {
      ...seenOnly,
      ...words.rules.miswired({ miswired: receptacles.length, tested, places: found, expected }),
      key: 'house-miswired',
      urgency: 'repair',
      receptacles: places(receptaclesOf(house).filter(({ id }) => receptacles.includes(id))),
    },
  ];
}
