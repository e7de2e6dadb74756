import { houseDay, receptaclesOf } from '../../log/index.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { type JudgedHouse, withEvidence } from './rule.ts';

/** Devices last about so many years; 5 to 20 are met (common practice). */
export const usualLife = 10;

export function oldDevices({ house, words }: JudgedHouse): readonly Proposal[] {
  if (house.lastReadAt === null) return [];
  const now = Number(houseDay(house, house.lastReadAt).slice(0, 4));
  const old = receptaclesOf(house).filter(
    ({ protection: { madeIn } }) => madeIn !== null && now - madeIn > usualLife,
  );
  if (old.length === 0) return [];
  return [
    {
      ...seenOnly,
      ...words.rules.oldDevices({ years: usualLife }),
      key: 'device-old',
      urgency: 'note',
      by: 'owner',
      ...withEvidence(old, words),
    },
  ];
}
