/** What was built when, as far as it tells what to look for. Years are of the United States. */
export interface Era {
  readonly id: EraId;
  readonly lane: EraLane;
  readonly from: number;
  /** null: to this day. */
  readonly to: number | null;
}

/** What a language says of an era. */
export interface EraWords {
  readonly name: string;
  /** What it makes likely, for one who stands in the house. */
  readonly lookFor: string;
  readonly source: string;
}

export const eraLanes = ['wiring', 'ground', 'metal', 'ground-fault', 'arc-fault'] as const;
export type EraLane = (typeof eraLanes)[number];

/** Wiring and metal by common practice and CPSC 516; rules by NEC editions, from memory. */
const known = [
  { id: 'knob-and-tube', lane: 'wiring', from: 1890, to: 1945 },
  { id: 'rubber-and-cloth', lane: 'wiring', from: 1920, to: 1965 },
  { id: 'push-in', lane: 'wiring', from: 1962, to: null },
  { id: 'two-wire', lane: 'ground', from: 1890, to: 1965 },
  { id: 'thin-ground', lane: 'ground', from: 1960, to: 1970 },
  { id: 'grounded', lane: 'ground', from: 1965, to: null },
  { id: 'aluminum', lane: 'metal', from: 1965, to: 1978 },
  // A rule binds work done from its year on; an older house was not always made to change.
  { id: 'ground-fault-1973', lane: 'ground-fault', from: 1973, to: null },
  { id: 'ground-fault-1975', lane: 'ground-fault', from: 1975, to: null },
  { id: 'ground-fault-1978', lane: 'ground-fault', from: 1978, to: null },
  { id: 'ground-fault-1987', lane: 'ground-fault', from: 1987, to: null },
  { id: 'ground-fault-1990', lane: 'ground-fault', from: 1990, to: null },
  { id: 'ground-fault-1993', lane: 'ground-fault', from: 1993, to: null },
  { id: 'ground-fault-1996', lane: 'ground-fault', from: 1996, to: null },
  { id: 'ground-fault-2005', lane: 'ground-fault', from: 2005, to: null },
  { id: 'ground-fault-2011', lane: 'ground-fault', from: 2011, to: null },
  { id: 'ground-fault-2014', lane: 'ground-fault', from: 2014, to: null },
  { id: 'ground-fault-2020', lane: 'ground-fault', from: 2020, to: null },
  { id: 'ground-fault-2023', lane: 'ground-fault', from: 2023, to: null },
  { id: 'arc-fault-2002', lane: 'arc-fault', from: 2002, to: null },
  { id: 'arc-fault-2008', lane: 'arc-fault', from: 2008, to: null },
  { id: 'arc-fault-2014', lane: 'arc-fault', from: 2014, to: null },
] as const;
export type EraId = (typeof known)[number]['id'];

export const eras: readonly Era[] = known;

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

/** What else the years say. */
export type EraHint =
  | { readonly kind: 'year-unknown' | 'grounds-came-later' | 'recent' | 'oldest-first' }
  /** A part that was added or made over; null: nobody said which. */
  | { readonly kind: 'altered'; readonly what: string | null; readonly year: number };

/** What else the years say; the newest first. */
export function hintsOf(yearBuilt: number | null, alterations: readonly HouseYear[]): readonly EraHint[] {
  if (yearBuilt === null) return [{ kind: 'year-unknown' }];
  const later = alterations.filter(({ year }) => year > yearBuilt);
  return [
    ...(yearBuilt < 1965 && later.length > 0 ? [{ kind: 'grounds-came-later' } as const] : []),
    ...later.map(({ what, year }) => ({ kind: 'altered', what, year }) as const),
    ...(yearBuilt >= 2000 ? [{ kind: 'recent' } as const] : []),
    { kind: 'oldest-first' },
  ];
}
