/** What is known of the house as a whole. */
export interface HouseFacts {
  readonly yearBuilt?: number | undefined;
  /** Whether the branch wiring has grounds; null or absent: not known. */
  readonly groundedWiring?: boolean | null | undefined;
  /** Years in which something was added or made over. */
  readonly alteredIn?: readonly number[] | undefined;
}

/** How often a cause is met at one site (a box, or the cable into it), against its being sound; and why we think so. */
export interface Prior {
  readonly odds: number;
  /** All of them are common practice: what practitioners report, not a count. */
  readonly why: string;
}

/**
 * None is so small that a thousandth of a sound circuit outweighs it at a single box, where the lamps would not show
 * it: what is dangerous and cannot be seen is never passed over for being rare.
 */
export const priors = {
  'missing-ground': {
    odds: 0.01,
    why: 'with reversals the most common finding: a ground left off, or cut short',
  },
  reversal: { odds: 0.008, why: 'the most common wiring finding after missing grounds; made at one box' },
  'reversal-upstream': { odds: 0.003, why: 'exchanged in a splice, so that everything beyond has it too' },
  'open-hot': { odds: 0.003, why: 'a loose or broken hot; people notice it and have it mended' },
  'open-neutral': {
    odds: 0.004,
    why: 'a loose neutral: not every one who reports a dead outlet has it mended',
  },
  'shared-neutral-lost': {
    odds: 0.005,
    why: 'not every circuit shares its neutral with another, but lamps pass over its loss while both carry alike',
  },
  'hot-ground-exchanged': { odds: 0.0003, why: 'a true exchange of hot and ground is almost never met' },
  'neutral-ground-exchanged': { odds: 0.0015, why: 'white and bare confused; nothing shows it, so it stays' },
  'poor-connection': {
    odds: 0.003,
    why: 'loose terminals, push-in connections and corroded splices; each conductor of each box',
  },
  'ground-of-high-resistance': { odds: 0.002, why: 'grounds under one screw, or twisted and never clamped' },
  jumper: {
    odds: 0.004,
    why: 'a false ground to pass inspection: three-slot receptacles put on wiring without one',
  },
  'reversed-jumper': { odds: 0.002, why: 'a false ground at a box whose hot and neutral are exchanged' },
  'hot-jumper': { odds: 0.0016, why: 'a false ground taken from what was believed to be the neutral' },
  'jumper-with-ground': {
    odds: 0.0025,
    why: 'a bare ground that touches the neutral screw, or a jumper left in',
  },
  short: { odds: 1e-6, why: 'a breaker opens at once' },
  'device-tripped': { odds: 0.03, why: 'devices trip and nobody looks for the reset' },
  'device-failed': { odds: 0.02, why: 'devices last about ten years, and few press the button' },
  'device-locked-out': { odds: 0.004, why: 'newer devices lock out when they fail their own test' },
  'device-locked-out-hot': { odds: 0.002, why: 'some leave the hot closed' },
} as const satisfies Readonly<Record<string, Prior>>;
export type PriorId = keyof typeof priors;

interface HouseRule {
  readonly of: readonly PriorId[];
  readonly factor: number;
  readonly when: (house: HouseFacts) => boolean;
  readonly why: string;
}

/** Year up to which two-wire cable without a ground was common (about 1962 to 1965). */
const groundsBecameCommon = 1965;
const before = (year: number, house: HouseFacts): boolean =>
  house.yearBuilt !== undefined && house.yearBuilt < year;
const jumpers = ['jumper', 'reversed-jumper', 'hot-jumper'] as const;

/** What the house changes in that. A recent year lowers nothing: reversed wires are met in houses one year old. */
export const houseRules: readonly HouseRule[] = [
  {
    of: ['missing-ground'],
    factor: 200,
    when: ({ groundedWiring }) => groundedWiring === false,
    why: 'the wiring has no grounds: a missing one is no accident',
  },
  {
    of: ['missing-ground'],
    factor: 4,
    when: (house) =>
      house.groundedWiring !== true && house.groundedWiring !== false && before(groundsBecameCommon, house),
    why: 'two-wire cable without a ground was common to about 1962–65',
  },
  {
    of: jumpers,
    factor: 40,
    when: ({ groundedWiring }) => groundedWiring === false,
    why: 'where the wiring has no grounds, what reads as one is a jumper, or a raceway that nobody saw',
  },
  {
    of: jumpers,
    factor: 4,
    when: (house) =>
      house.groundedWiring !== true && house.groundedWiring !== false && before(groundsBecameCommon, house),
    why: 'in houses made over, jumpers take the place of grounds that were never there',
  },
  {
    of: jumpers,
    factor: 2,
    when: (house) =>
      house.groundedWiring !== true &&
      before(groundsBecameCommon, house) &&
      (house.alteredIn ?? []).some((year) => year >= groundsBecameCommon),
    why: 'made over after grounds became common: new receptacles on old cable are where jumpers are found',
  },
  {
    of: ['poor-connection'],
    factor: 2,
    when: ({ yearBuilt }) => yearBuilt !== undefined && yearBuilt >= 1965 && yearBuilt <= 1978,
    why: 'aluminum branch wiring of the mid-1960s to late 1970s loosens at its connections',
  },
  {
    of: ['reversal', 'reversed-jumper'],
    factor: 1.5,
    when: (house) => before(1960, house),
    why: 'old insulation has gone grey, and hot can no longer be told from neutral by its colour',
  },
];

/** Whatever speaks for it, a cause is not taken for granted. */
const mostOdds = 3;

/** Odds of a cause at one site of this house. */
export function oddsIn(house: HouseFacts, id: PriorId): number {
  let { odds }: Prior = priors[id];
  for (const rule of houseRules) if (rule.of.includes(id) && rule.when(house)) odds *= rule.factor;
  return Math.min(odds, mostOdds);
}
