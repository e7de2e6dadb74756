import { acceptedRemedies, aluminumRemedies } from '../../corrections/index.ts';
import { receptaclesOf } from '../../inspection/index.ts';
import { aluminumIn, isAluminumAt } from '../aluminum-signs.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import type { JudgedHouse } from './rule.ts';

export function aluminum({ house, practice }: JudgedHouse): readonly Proposal[] {
  const seen = aluminumIn(house, practice.schools['copper-clad']);
  if (seen.standing === 'none') return [];
  const school = practice.schools.aluminum;
  const [best, next] = acceptedRemedies(school).map((id) => aluminumRemedies[id].name);
  const isSeen = seen.standing === 'seen';
  const inSprings = receptaclesOf(house)
    .filter(
      (one) => one.coverOff?.pushIn === true && isAluminumAt(one, house, practice.schools['copper-clad']),
    )
    .map(({ name }) => name);
  return [
    {
      ...seenOnly,
      key: 'house-aluminum',
      code: isSeen ? 'house-aluminum-seen' : 'house-aluminum-signs',
      openFirst: 'the panel, then the oldest receptacle',
      retest: 'Lamps and meter at each; plates stay cool in use. No load test through aluminum.',
      urgency: seen.isFailing ? 'act-now' : isSeen ? 'repair' : 'note',
      headline: isSeen ? 'Aluminum branch wiring' : 'Signs of aluminum branch wiring',
      what: isSeen
        ? `Conductors of receptacle circuits are aluminum.${
            inSprings.length === 0
              ? ''
              : ` At ${inSprings.join(', ')} push-in terminals hold it, which are made for copper alone.`
          }`
        : 'Something points to aluminum conductors; no cut end was seen that proves it.',
      why: 'It fails at its connections: soft metal creeps and loosens, oxide does not conduct, joints heat. Insurers often refuse it or ask for a certificate.',
      correction: isSeen
        ? `A licensed electrician repairs every connection, at receptacles, switches, lights and splices. Held by this firm to be a repair: ${[best, next].filter((one) => one !== undefined).join('; ')}. Local authority and insurer decide. Devices are not changed for looks before that.`
        : 'A licensed electrician looks at cut ends in the panel and at the oldest receptacles.',
      receptacles: seen.receptacles,
      evidence: seen.evidence,
    },
  ];
}
