import { faultOdds } from '../../faults/index.ts';

/** What is known of the house as a whole. */
export interface HouseFacts {
  readonly yearBuilt?: number | undefined;
  /** Whether the branch wiring has grounds; null or absent: not known. */
  readonly groundedWiring?: boolean | null | undefined;
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
  // Not every circuit shares its neutral with another, but lamps pass over its loss while both carry alike.
  'shared-neutral-lost': 0.005,
  // Devices trip and nobody looks for the reset.
  'device-tripped': 0.03,
  // Devices last about ten years, and few press the button.
  'device-failed': 0.02,
  // Newer devices lock out when they fail their own test.
  'device-locked-out': 0.004,
  // Some leave the hot closed.
  'device-locked-out-hot': 0.002,
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
const jumpers = ['jumper', 'reversed-jumper', 'hot-jumper'] as const;

/** What the house changes in that. A recent year lowers nothing: reversed wires are met in houses one year old. */
export const houseRules: readonly HouseRule[] = [
  // The wiring has no grounds: a missing one is no accident.
  {
    of: ['missing-ground'],
    factor: 200,
    when: ({ groundedWiring }) => groundedWiring === false,
  },
  // Two-wire cable without a ground was common to about 1962–65.
  {
    of: ['missing-ground'],
    factor: 4,
    when: (house) =>
      house.groundedWiring !== true && house.groundedWiring !== false && before(groundsBecameCommon, house),
  },
  // Where the wiring has no grounds, what reads as one is a jumper, or a raceway that nobody saw.
  {
    of: jumpers,
    factor: 40,
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
    of: ['poor-connection'],
    factor: 2,
    when: ({ yearBuilt }) => yearBuilt !== undefined && yearBuilt >= 1965 && yearBuilt <= 1978,
  },
  // Old insulation has gone grey, and hot can no longer be told from neutral by its colour.
  {
    of: ['reversal', 'reversed-jumper'],
    factor: 1.5,
    when: (house) => before(1960, house),
  },
];

/** Whatever speaks for it, a cause is not taken for granted. */
const mostOdds = 3;

/** Odds of a cause at one site of this house. */
export function oddsIn(house: HouseFacts, id: PriorId): number {
  let odds: number = priors[id];
  for (const rule of houseRules) if (rule.of.includes(id) && rule.when(house)) odds *= rule.factor;
  return Math.min(odds, mostOdds);
}
