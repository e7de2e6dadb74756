import { acceptedRemedies } from '../../knowledge/index.ts';
import { receptaclesOf } from '../../log/index.ts';
import { aluminumIn, isAluminumAt } from '../aluminum-signs.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import type { JudgedHouse } from './rule.ts';

export function aluminum({ house, practice, words }: JudgedHouse): readonly Proposal[] {
  const seen = aluminumIn(house, practice.schools['copper-clad']);
  if (seen.standing === 'none') return [];
  const school = practice.schools.aluminum;
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
      ...(isSeen
        ? words.rules.aluminumSeen({ inSprings, remedies: acceptedRemedies(school).slice(0, 2) })
        : words.rules.aluminumSigns),
      urgency: seen.isFailing ? 'act-now' : isSeen ? 'repair' : 'note',
      receptacles: seen.receptacles,
      evidence: seen.evidence.map(({ receptacle, signs }) => ({
        receptacle,
        words: signs.map(words.metalSign).join(', '),
        at: null,
      })),
    },
  ];
}
