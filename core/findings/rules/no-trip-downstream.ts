import { groundFaultResult } from '../../assessment/index.ts';
import { receptaclesOf } from '../../log/index.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { workingDeviceUpstream } from './ground-fault-devices.ts';
import { type JudgedHouse, withEvidence } from './rule.ts';

/**
 * A receptacle that reads correct, and whose tester button does not trip the device upstream although that trips by its
 * own: with a jumper from neutral to ground the button's current flows back through the device and trips nothing.
 */
export function noTripDownstream({ house, verdictOf, words }: JudgedHouse): readonly Proposal[] {
  const there = receptaclesOf(house).filter((one) => {
    const latest = one.groundFaultTests.at(-1);
    return (
      latest?.by === 'tester-button' &&
      groundFaultResult(latest, verdictOf(one.id)).code === 'no-trip' &&
      workingDeviceUpstream(one, house) !== null
    );
  });
  if (there.length === 0) return [];
  return [
    {
      ...seenOnly,
      ...words.rules.noTripDownstream,
      key: 'no-trip-downstream',
      urgency: 'repair',
      condition: 'bootleg-ground',
      isSuspected: true,
      ...withEvidence(there, words),
      notRuledOut: ['bootleg-ground'],
    },
  ];
}
