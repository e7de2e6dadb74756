import type { HouseFacts } from '../engine/index.ts';
import { countsAsAluminum } from '../knowledge/index.ts';
import { type House, legsOf, panelsOf, receptaclesOf } from '../log/index.ts';

/** What was seen of the wiring in boxes and at panels. */
function seenIn(house: House) {
  const boxes = receptaclesOf(house).flatMap(({ coverOff }) => (coverOff === null ? [] : [coverOff]));
  const metals = [
    ...boxes.map(({ metal }) => metal),
    ...panelsOf(house).flatMap(({ breakers }) => breakers.map(({ metal }) => metal)),
  ].flatMap((metal) => (metal === undefined || metal === 'not-sure' ? [] : [metal]));
  const sought = Object.values(house.parts?.aluminumSought ?? {});
  return {
    isAluminum: metals.some(countsAsAluminum) || sought.some(({ found }) => found),
    isCopper: boxes.some(({ metal }) => metal === 'copper' || metal === 'tinned-copper'),
    years: [
      ...boxes.flatMap(({ jacketYear }) => jacketYear ?? []),
      ...sought.flatMap(({ jacketYear }) => jacketYear ?? []),
    ],
    grounds: boxes.flatMap(({ ground }) => ground ?? []),
  };
}

/** A jacket or a panel so much younger than the house was not there from the beginning. */
const laterBy = 3;

/** What of a house bears on how likely a cause is: what was said of it, and what was seen of its wiring. */
export function factsOf(house: House): HouseFacts {
  const { groundedWiring, alterations } = house;
  const seen = seenIn(house);
  const yearBuilt = house.yearBuilt ?? (seen.years.length === 0 ? null : Math.min(...seen.years));
  const panelYears = panelsOf(house).flatMap(({ madeIn }) => madeIn ?? []);
  const later = [...seen.years, ...panelYears].filter(
    (year) => yearBuilt !== null && year >= yearBuilt + laterBy,
  );
  const alteredIn = [...alterations.map(({ year }) => year), ...later];
  // Boxes that all show the same speak for the house where nobody said it.
  const isAlike = seen.grounds.length > 0 && seen.grounds.every((one) => one === seen.grounds[0]);
  const legs = legsOf(house);
  return {
    ...(house.region === 'uk' ? { region: house.region } : {}),
    ...(yearBuilt === null ? {} : { yearBuilt }),
    groundedWiring: groundedWiring ?? (isAlike ? (seen.grounds[0] ?? null) : null),
    ...(legs === null ? {} : { legs }),
    ...(alteredIn.length === 0 ? {} : { alteredIn }),
    ...(seen.isAluminum ? { metal: 'aluminum' as const } : seen.isCopper ? { metal: 'copper' as const } : {}),
  };
}
