import { type Proposal, seenOnly } from '../finding.ts';
import { unprotectedPlaces } from '../protection-rules.ts';
import { type JudgedHouse, places } from './rule.ts';

/** Rooms that need ground-fault protection by the rule of their year, and where none was found. */
export function missingProtection({ house, practice }: JudgedHouse): readonly Proposal[] {
  if (practice.groundFaultRules === 'off' || house.region !== 'north-america') return [];
  return unprotectedPlaces(house)
    .filter(({ predates }) => !predates)
    .map(({ place, receptacles, from }) => ({
      ...seenOnly,
      key: `house-protection-${place}`,
      openFirst: 'the first of them from the panel: a device there protects those after it',
      retest: 'The device’s own button cuts every one of them; reset brings them back.',
      urgency: 'repair',
      headline: `Ground-fault protection missing: ${place}`,
      what: `None was found at these receptacles; new work has needed it there since ${from} (from memory).`,
      why: 'Water and bare floors are near: a fault that a breaker does not notice can kill.',
      correction:
        'A licensed electrician fits a ground-fault device that protects them, and the labels it needs. The local edition decides what is required.',
      receptacles: places(receptacles),
    }));
}
