import { isGroundFaultType } from '../knowledge/index.ts';
import { foundBehind, type House, type Receptacle } from '../log/index.ts';

/** Places that a ground-fault rule names, by the words that a room's name has. */
const placeWords = {
  bathroom: /\b(bath|bathroom|powder|toilet|wc|shower)/i,
  kitchen: /\bkitchen/i,
  garage: /\b(garage|carport)/i,
  outdoors: /\b(outdoor|outside|exterior|porch|patio|deck|yard|pool)/i,
  basement: /\b(basement|cellar|crawl)/i,
  laundry: /\b(laundry|utility|mud ?room)/i,
} as const;
export type ProtectedPlace = keyof typeof placeWords;

/** First year of new work in which the US rule asked for it (NEC editions, from memory). */
const ruleFrom: Readonly<Record<ProtectedPlace, number>> = {
  outdoors: 1973,
  bathroom: 1975,
  garage: 1978,
  kitchen: 1987,
  basement: 1990,
  laundry: 2005,
};

export const placeOf = (room: string): ProtectedPlace | null =>
  (Object.keys(placeWords) as ProtectedPlace[]).find((place) => placeWords[place].test(room)) ?? null;

/** A device of its own, a device or label that it was found behind. */
export function isKnownProtected(receptacle: Receptacle, house: House): boolean {
  const { id, type, protection } = receptacle;
  return (
    (type !== null && isGroundFaultType(type)) ||
    protection.labels?.includes('protected') === true ||
    foundBehind(house).some(({ dead }) => dead.includes(id)) ||
    receptacle.groundFaultTests.some(({ result }) => result === 'tripped')
  );
}

export interface Unprotected {
  readonly place: ProtectedPlace;
  readonly receptacles: readonly Receptacle[];
  /** The rule is younger than the house and every alteration of that room that is known. */
  readonly predates: boolean;
  readonly from: number;
}

/** Where a rule asks for ground-fault protection today and none was found; older houses need not have it. */
export function unprotectedPlaces(house: House): readonly Unprotected[] {
  const { yearBuilt } = house;
  if (yearBuilt === null) return [];
  const found = new Map<ProtectedPlace, { receptacles: Receptacle[]; year: number }>();
  for (const room of house.rooms) {
    const place = placeOf(room.name);
    if (place === null) continue;
    const bare = room.receptacles.filter((one) => !isKnownProtected(one, house));
    if (bare.length === 0) continue;
    const altered = house.alterations
      .filter(({ what }) => placeOf(what) === place || what.toLowerCase().includes(room.name.toLowerCase()))
      .map(({ year }) => year);
    const known = found.get(place);
    found.set(place, {
      receptacles: [...(known?.receptacles ?? []), ...bare],
      year: Math.max(known?.year ?? yearBuilt, ...altered),
    });
  }
  return [...found].map(([place, { receptacles, year }]) => ({
    place,
    receptacles,
    predates: year < ruleFrom[place],
    from: ruleFrom[place],
  }));
}
