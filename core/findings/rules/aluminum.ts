import {
  type AluminumPlace,
  acceptedRemedies,
  aluminumPlaces,
  remediesInPlace,
} from '../../knowledge/index.ts';
import { type House, panelsOf, receptaclesOf } from '../../log/index.ts';
import { aluminumIn, isAluminumAt } from '../aluminum-signs.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import type { JudgedHouse } from './rule.ts';

/** Where it was looked for, and what was done about it before; said where anybody spoke of that. */
function lookedIn(house: House) {
  const sought = house.parts?.aluminumSought;
  const boxes = receptaclesOf(house).filter(({ coverOff }) => coverOff !== null);
  const isKnown = (place: AluminumPlace): boolean =>
    sought?.[place] !== undefined ||
    (place === 'panel' && panelsOf(house).some(({ openedAt }) => openedAt !== undefined)) ||
    (place === 'receptacle-box' && boxes.some(({ coverOff }) => coverOff?.metal !== undefined));
  const isSpokenOf = sought !== undefined || panelsOf(house).length > 0;
  return {
    notFound: aluminumPlaces.filter((place) => sought?.[place]?.found === false),
    notLooked: isSpokenOf ? aluminumPlaces.filter((place) => !isKnown(place)) : [],
    repaired: remediesInPlace.flatMap((remedy) => {
      const names = boxes.filter(({ coverOff }) => coverOff?.remedy === remedy).map(({ name }) => name);
      return names.length === 0 ? [] : [{ remedy, names }];
    }),
  };
}

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
  const looked = words.rules.aluminumLooked(lookedIn(house));
  return [
    {
      ...seenOnly,
      key: 'house-aluminum',
      code: isSeen ? 'house-aluminum-seen' : 'house-aluminum-signs',
      ...(isSeen
        ? words.rules.aluminumSeen({ inSprings, remedies: acceptedRemedies(school).slice(0, 2), looked })
        : words.rules.aluminumSigns(looked)),
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
