import { faultOdds } from '../../faults/index.ts';
import type { LegLayout, Region } from '../../knowledge/index.ts';
import { instrumentOdds } from './instrument-fault.ts';

/** What is known of the house as a whole. */
export interface HouseFacts {
  readonly yearBuilt?: number | undefined;
  /** Whether the branch wiring has grounds; null or absent: not known. */
  readonly groundedWiring?: boolean | null | undefined;
  /** Which decides where its supply usually stands; North America where left out. */
  readonly region?: Region | undefined;
  /** Metal of branch circuits, where it was seen: aluminum at any, or copper in a box and aluminum at none. */
  readonly metal?: 'aluminum' | 'copper' | undefined;
  /** What its panel brings in, where somebody looked. */
  readonly legs?: LegLayout | undefined;
  /** Years in which something was added or made over. */
  readonly alteredIn?: readonly number[] | undefined;
}

/**
 * How often a cause is met at one site (a box, or the cable into it), against its being sound: odds, by common practice,
 * which is what practitioners report and not a count. None is so small that a thousandth of a sound circuit outweighs it at a single box, where the lamps would not show
 * it: what is dangerous and cannot be seen is never passed over for being rare.
 */
export const priors = {
  ...faultOdds,
  // One circuit in eight shares its neutral; lamps pass over its loss while both legs carry alike.
  'shared-neutral-lost': 0.000588,
  // Two legs are two of three phases once in fifty, mostly in large buildings.
  'phases-neutral-lost': 0.000012,
  // Cable without a ground wire all along a run.
  'ungrounded-run': 0.002,
  // Devices trip and nobody looks for the reset.
  'device-tripped': 0.03,
  // Devices last about ten years, and few press the button.
  'device-failed': 0.02,
  // Newer devices lock out when they fail their own test.
  'device-locked-out': 0.004,
  // Some leave the hot closed.
  'device-locked-out-hot': 0.002,
  // Both cables landed on the wrong sides of a device that feeds through: the commonest real reversal.
  'sides-exchanged': 0.006,
  ...instrumentOdds,
} as const satisfies Readonly<Record<string, number>>;
export type PriorId = keyof typeof priors;

interface HouseRule {
  readonly of: readonly PriorId[];
  readonly factor: number;
  readonly when: (house: HouseFacts) => boolean;
}

/** Year up to which two-wire cable without a ground was common (about 1962 to 1965). */
const groundsBecameCommon = 1965;
const before = (year: number, house: HouseFacts): boolean =>
  house.yearBuilt !== undefined && house.yearBuilt < year;
/** A jumper from neutral to ground stands for a ground; one from hot is only ever made by mistake, wherever that is. */
const jumpers = ['jumper', 'reversed-jumper'] as const;

/** What the house changes in that. A recent year lowers nothing: reversed wires are met in houses one year old. */
export const houseRules: readonly HouseRule[] = [
  // The wiring is held to have no grounds: likely at each receptacle, certain at none (raceways, later work).
  {
    of: ['ungrounded-run'],
    factor: 1500,
    when: ({ groundedWiring }) => groundedWiring === false,
  },
  {
    of: ['missing-ground'],
    factor: 10,
    when: ({ groundedWiring }) => groundedWiring === false,
  },
  // Two-wire cable without a ground was common to about 1962–65.
  {
    of: ['ungrounded-run'],
    factor: 60,
    when: (house) =>
      house.groundedWiring !== true && house.groundedWiring !== false && before(groundsBecameCommon, house),
  },
  {
    of: ['missing-ground'],
    factor: 4,
    when: (house) =>
      house.groundedWiring !== true && house.groundedWiring !== false && before(groundsBecameCommon, house),
  },
  // Where the wiring has no grounds, what reads as one is a jumper, a raceway that nobody saw, or later work.
  {
    of: jumpers,
    factor: 25,
    when: ({ groundedWiring }) => groundedWiring === false,
  },
  // In houses made over, jumpers take the place of grounds that were never there.
  {
    of: jumpers,
    factor: 4,
    when: (house) =>
      house.groundedWiring !== true && house.groundedWiring !== false && before(groundsBecameCommon, house),
  },
  // Made over after grounds became common: new receptacles on old cable are where jumpers are found.
  {
    of: jumpers,
    factor: 2,
    when: (house) =>
      house.groundedWiring !== true &&
      before(groundsBecameCommon, house) &&
      (house.alteredIn ?? []).some((year) => year >= groundsBecameCommon),
  },
  // Aluminum branch wiring of the mid-1960s to late 1970s loosens at its connections.
  {
    of: ['poor-connection', 'poor-terminals'],
    factor: 2,
    when: ({ yearBuilt, metal }) =>
      metal === undefined && yearBuilt !== undefined && yearBuilt >= 1965 && yearBuilt <= 1978,
  },
  // Where it was seen, every connection is one of those that loosen (CPSC 516: many times as often, from memory).
  {
    of: ['poor-connection', 'poor-terminals'],
    factor: 4,
    when: ({ metal }) => metal === 'aluminum',
  },
  // Old insulation has gone grey, and hot can no longer be told from neutral by its colour.
  {
    of: ['reversal', 'reversed-jumper'],
    factor: 1.5,
    when: (house) => before(1960, house),
  },
  // Its panel was looked at, and brings in two of three phases.
  {
    of: ['phases-neutral-lost'],
    factor: 50,
    when: ({ legs }) => legs === 'three-phase',
  },
];

/** What one hand did at many boxes, because it did not know better: each box of a circuit as likely as not. */
export const habits = {
  // Whoever cannot tell hot from neutral gets every other one wrong.
  reversals: { odds: 0.01, share: 0.45, of: ['reversal', 'sides-exchanged'] },
  // Who made one false ground made more.
  'false-grounds': { odds: 0.008, share: 0.5, of: jumpers },
} as const satisfies Readonly<
  Record<string, { readonly odds: number; readonly share: number; readonly of: readonly string[] }>
>;
export type HabitId = keyof typeof habits;
export const habitIds = Object.keys(habits) as readonly HabitId[];

export const habitOf = (prior: PriorId): HabitId | null =>
  habitIds.find((id) => (habits[id].of as readonly PriorId[]).includes(prior)) ?? null;

/** Of all the ways in which a habit shows at a box of this house, how much goes to one kind of cause; exchanged sides and a plain reversal are never met at the same box. */
export const habitPartOf = (house: HouseFacts, id: HabitId, prior: PriorId): number =>
  id === 'reversals'
    ? 1
    : oddsIn(house, prior) / habits[id].of.reduce((sum, one) => sum + oddsIn(house, one), 0);

/** Odds that one hand did so in this house. */
export function habitOddsIn(house: HouseFacts, id: HabitId): number {
  const wasAltered = (house.alteredIn ?? []).length > 0;
  const isGrey = before(1966, house);
  const lacksGrounds =
    house.groundedWiring === false || (house.groundedWiring !== true && before(groundsBecameCommon, house));
  const factor = id === 'reversals' ? (isGrey ? 2 : 1) * (wasAltered ? 2 : 1) : lacksGrounds ? 6 : 1;
  return habits[id].odds * factor;
}

/** Whatever speaks for it, a cause is not taken for granted. */
const mostOdds = 3;

/** Odds of a cause at one site of this house. */
export function oddsIn(house: HouseFacts, id: PriorId): number {
  let odds: number = priors[id];
  for (const rule of houseRules) if (rule.of.includes(id) && rule.when(house)) odds *= rule.factor;
  return Math.min(odds, mostOdds);
}
