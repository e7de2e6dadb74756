/** What was built when, as far as it tells what to look for. Years are of the United States. */
export interface Era {
  readonly id: string;
  readonly lane: 'wiring' | 'ground' | 'metal' | 'ground-fault' | 'arc-fault';
  readonly name: string;
  readonly from: number;
  /** null: to this day. */
  readonly to: number | null;
  /** What it makes likely, for one who stands in the house. */
  readonly lookFor: string;
  readonly source: string;
}

const practice = 'common practice';
const necHistory = 'NEC editions, from memory';

export const eraLanes = {
  wiring: 'Wiring',
  ground: 'Grounds',
  metal: 'Aluminum',
  'ground-fault': 'Ground-fault rules',
  'arc-fault': 'Arc-fault rules',
} as const;

/** A rule binds work done from its year on; an older house was not always made to change. */
const rule = (lane: 'ground-fault' | 'arc-fault', from: number, where: string, source = necHistory): Era => ({
  id: `${lane}-${from}`,
  lane,
  name: where,
  from,
  to: null,
  lookFor: `${lane === 'ground-fault' ? 'Ground-fault' : 'Arc-fault'} protection: ${where}.`,
  source,
});

export const eras: readonly Era[] = [
  {
    id: 'knob-and-tube',
    lane: 'wiring',
    name: 'Knob and tube',
    from: 1890,
    to: 1945,
    lookFor:
      'Single conductors on porcelain, no ground anywhere: three-slot receptacles on it promise what is not there.',
    source: practice,
  },
  {
    id: 'rubber-and-cloth',
    lane: 'wiring',
    name: 'Rubber and cloth insulation',
    from: 1920,
    to: 1965,
    lookFor:
      'Insulation gone brittle, and all of it grey: reversals at random, because nobody could tell hot from neutral. Silver wire in it may be tinned copper.',
    source: practice,
  },
  {
    id: 'push-in',
    lane: 'wiring',
    name: 'Push-in terminals',
    from: 1962,
    to: null,
    lookFor:
      'Spring clamps behind receptacles loosen: voltage drop, flicker, everything beyond one box dead.',
    source: practice,
  },
  {
    id: 'two-wire',
    lane: 'ground',
    name: 'Two-wire cable, no ground',
    from: 1890,
    to: 1965,
    lookFor:
      'Two-slot receptacles are original and allowed. Three-slot ones that read correct need a look: a jumper, or a raceway that nobody sees.',
    source: `${practice}: to about 1962–65`,
  },
  {
    id: 'thin-ground',
    lane: 'ground',
    name: 'Ground a size smaller',
    from: 1960,
    to: 1970,
    lookFor: 'Thin grounds under clamps and box screws: open grounds from loose joints.',
    source: practice,
  },
  {
    id: 'grounded',
    lane: 'ground',
    name: 'Ground in every cable',
    from: 1965,
    to: null,
    lookFor: 'A missing ground is an accident here: a loose or forgotten wire, here or toward the panel.',
    source: practice,
  },
  {
    id: 'aluminum',
    lane: 'metal',
    name: 'Aluminum branch wiring',
    from: 1965,
    to: 1978,
    lookFor:
      'Silver conductors right through the cut, a size fatter than copper, AL on the jacket. Connections loosen and heat: scorch, warm plates, flicker. New copper at the panel proves nothing.',
    source: 'CPSC 516: 1965–1973 (from memory); to the late 1970s by common practice',
  },
  rule('ground-fault', 1973, 'outdoors and at pools'),
  rule('ground-fault', 1975, 'bathrooms'),
  rule('ground-fault', 1978, 'garages'),
  rule('ground-fault', 1987, 'kitchen counter near the sink'),
  rule('ground-fault', 1990, 'crawl spaces, unfinished basements'),
  rule('ground-fault', 1993, 'wet-bar sinks'),
  rule('ground-fault', 1996, 'all kitchen counters'),
  rule('ground-fault', 2005, 'laundry and utility sinks'),
  rule('ground-fault', 2011, 'other sinks'),
  rule('ground-fault', 2014, 'laundry areas, dishwashers'),
  rule('ground-fault', 2020, 'all basements, 250 V receptacles'),
  rule('ground-fault', 2023, 'all kitchen receptacles'),
  rule('arc-fault', 2002, 'bedrooms'),
  rule('arc-fault', 2008, 'living areas; receptacles tamper-resistant'),
  rule('arc-fault', 2014, 'kitchens, laundry'),
];

/** A year of the house: when it was built, or when a part was added or made over. */
export interface HouseYear {
  readonly year: number;
  /** null: the house itself. */
  readonly what: string | null;
}

export interface Expectation {
  readonly of: HouseYear;
  readonly eras: readonly Era[];
  /** Of the rules in force then, how many protect something. */
  readonly rules: readonly Era[];
}

const isRule = ({ lane }: Era): boolean => lane === 'ground-fault' || lane === 'arc-fault';

/** What each year of a house makes likely. */
export const expectationsOf = (years: readonly HouseYear[]): readonly Expectation[] =>
  years.map((of) => {
    const then = eras.filter(({ from, to }) => from <= of.year && (to === null || of.year <= to));
    return { of, eras: then.filter((era) => !isRule(era)), rules: then.filter(isRule) };
  });

/** What else the years say, in words; the newest first. */
export function hintsOf(yearBuilt: number | null, alterations: readonly HouseYear[]): readonly string[] {
  if (yearBuilt === null)
    return ['The year built tells most of what to expect: enter it as soon as it is known.'];
  const hints: string[] = [];
  const later = alterations.filter(({ year }) => year > yearBuilt);
  if (yearBuilt < 1965 && later.length > 0)
    hints.push(
      'A house from before grounds, made over later: where old cable meets new receptacles, look for jumpers from neutral to ground behind “reads correct”.',
    );
  for (const { what, year } of later)
    hints.push(
      `${what ?? 'Altered'} (${year}): other circuits, other hands. Its neighbours in the old part share boxes with it – test on both sides of the seam.`,
    );
  if (yearBuilt >= 2000)
    hints.push(
      'A recent year is no alibi: reversed wires and loose terminals are met in houses one year old.',
    );
  hints.push('Look at the oldest receptacles first: upstairs bedrooms and baths are changed last.');
  return hints;
}
