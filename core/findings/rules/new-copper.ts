import { countsAsAluminum } from '../../knowledge/index.ts';
import { type House, panelsOf, receptaclesOf } from '../../log/index.ts';
import { isAluminumYear } from '../aluminum-signs.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import type { JudgedHouse } from './rule.ts';

/** What the conductors at the panels are: copper alone, or no such thing known. */
function isCopperAlone(house: House): boolean {
  const metals = panelsOf(house).flatMap(({ neutralBar, breakers }) => [
    neutralBar,
    ...breakers.map(({ metal }) => metal),
  ]);
  const known = metals.filter((metal) => metal !== undefined && metal !== 'not-sure');
  return known.length > 0 && !known.some((metal) => metal !== undefined && countsAsAluminum(metal));
}

/** Somebody looked into a box further on, whatever was seen there. */
const wasLookedInto = (house: House): boolean =>
  receptaclesOf(house).some(({ coverOff }) => coverOff?.metal !== undefined) ||
  house.parts?.aluminumSought?.['receptacle-box'] !== undefined;

/** New copper leaves the panel of a house of the aluminum years: a task until the oldest receptacle is looked at. */
export function newCopper({ house, words }: JudgedHouse): readonly Proposal[] {
  const { yearBuilt } = house;
  if (yearBuilt === null || !isAluminumYear(yearBuilt)) return [];
  if (!isCopperAlone(house) || wasLookedInto(house)) return [];
  return [
    {
      ...seenOnly,
      ...words.rules.newCopper({ year: yearBuilt }),
      key: 'house-new-copper',
      urgency: 'note',
      receptacles: [],
    },
  ];
}
