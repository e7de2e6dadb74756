import { type Proposal, seenOnly } from '../finding.ts';
import { unprotectedPlaces } from '../protection-rules.ts';
import { type JudgedHouse, places } from './rule.ts';

/** Rooms that need ground-fault protection by the rule of their year, and where none was found. */
export function missingProtection({ house, practice, words }: JudgedHouse): readonly Proposal[] {
  if (practice.groundFaultRules === 'off' || house.region !== 'north-america') return [];
  return unprotectedPlaces(house)
    .filter(({ predates }) => !predates)
    .map(({ place, receptacles, from }) => ({
      ...seenOnly,
      ...words.rules.missingProtection({ place, from }),
      key: `house-protection-${place}`,
      urgency: 'repair',
      receptacles: places(receptacles),
    }));
}
