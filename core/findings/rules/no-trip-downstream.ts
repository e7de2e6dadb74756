import { groundFaultWords } from '../../assessment/index.ts';
import { conditions } from '../../conditions/index.ts';
import { receptaclesOf } from '../../inspection/index.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { workingDeviceUpstream } from './ground-fault-devices.ts';
import { type JudgedHouse, withEvidence } from './rule.ts';

/**
 * A receptacle that reads correct, and whose tester button does not trip the device upstream although that trips by its
 * own: with a jumper from neutral to ground the button's current flows back through the device and trips nothing.
 */
export function noTripDownstream({ house, verdictOf }: JudgedHouse): readonly Proposal[] {
  const there = receptaclesOf(house).filter((one) => {
    const latest = one.groundFaultTests.at(-1);
    return (
      latest?.by === 'tester-button' &&
      groundFaultWords(latest, verdictOf(one.id)).code === 'no-trip' &&
      workingDeviceUpstream(one, house) !== null
    );
  });
  if (there.length === 0) return [];
  const { why, retest } = conditions['bootleg-ground'];
  return [
    {
      ...seenOnly,
      key: 'no-trip-downstream',
      urgency: 'repair',
      headline: 'Reads correct, but its button does not trip the device upstream',
      what: 'The device trips by its own button, and not by a tester’s at a receptacle behind it that reads correct. A jumper from neutral to ground in the box does that.',
      why,
      correction:
        'A load test or a measurement of the ground path decides. Where neutral to ground does not rise under load, a licensed electrician looks for the jumper in this box.',
      condition: 'bootleg-ground',
      isSuspected: true,
      openFirst: 'no box before a load test tells a real ground from a jumper; then this box',
      retest,
      ...withEvidence(there),
      notRuledOut: ['bootleg-ground'],
    },
  ];
}
