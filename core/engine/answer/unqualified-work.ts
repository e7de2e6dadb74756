import { type HouseFacts, habitOddsIn, oddsIn, type PriorId } from '../model/priors.ts';

/** Causes by which somebody joined the wrong wires, and which testers show. */
const miswirings = [
  'reversal',
  'reversal-upstream',
  'sides-exchanged',
  'hot-ground-exchanged',
  'neutral-ground-exchanged',
  'jumper',
  'reversed-jumper',
] as const satisfies readonly PriorId[];

/** Places at which one hand is held to have joined the wrong wires. */
export interface UnqualifiedWork {
  readonly places: number;
  /** Places that were to be expected among as many receptacles of such a house. */
  readonly expected: number;
}

/** One hand is held to have done it where it is so many times likelier than accident. */
const sureEnough = 10;

/** Chance of so many or more where so many are expected and each is an accident by itself (Poisson's distribution, from memory). */
export function chanceOf(atLeast: number, expected: number): number {
  let term = Math.exp(-expected);
  let fewer = 0;
  for (let count = 0; count < atLeast; count += 1) {
    fewer += term;
    term *= expected / (count + 1);
  }
  return Math.max(0, 1 - fewer);
}

/** What so many miswired places among the receptacles tested tell of who wired them; null where accident explains them. */
export function unqualifiedWork(house: HouseFacts, tested: number, places: number): UnqualifiedWork | null {
  const expected = tested * miswirings.reduce((sum, id) => sum + oddsIn(house, id), 0);
  const isHabit = habitOddsIn(house, 'reversals') > sureEnough * chanceOf(places, expected);
  return places > 1 && isHabit ? { places, expected } : null;
}
