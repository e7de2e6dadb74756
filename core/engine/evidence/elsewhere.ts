import type { ChannelKind, Hookup } from '../../instruments/index.ts';

/** Volts of a sound receptacle, be a test's load on it or not, as a share of nominal. */
const sound = { live: [0.85, 1.15], dead: 0.08 } as const;
/** So few receptacles read otherwise, nothing or line where a sound one reads the other; what lies between is looked at twice (common practice). */
const otherwise = 0.03;
const between = 0.001;
/** Volts that differ by no more than such a share of nominal are about the same. */
const alike = 0.06;

/** What was read, channel by channel. */
export interface Channels {
  readonly kinds: readonly ChannelKind[];
  readonly observed: ArrayLike<number>;
  readonly nominalVolts: number;
}

/** A reading as a run of channels. */
export interface Run {
  readonly index: number;
  readonly outlet: number;
  readonly instrument: string;
  readonly hookup: Pick<Hookup, 'ends'>;
  readonly first: number;
  readonly end: number;
}

/** One reading of volts that no sound receptacle shows. */
interface Odd {
  readonly reading: Run;
  /** As shares of nominal, in its order; NaN of what was not read. */
  readonly shares: readonly number[];
  /** The first that was read. */
  readonly first: number;
}

/** With so many neighbours by its first value a reading is compared at the most. */
const mostNeighbours = 200;

const isSameReading = (one: Odd, other: Odd): boolean =>
  one.reading.outlet !== other.reading.outlet &&
  one.reading.instrument === other.reading.instrument &&
  one.shares.every((share, span) => !(Math.abs(share - (other.shares[span] as number)) > alike));

/** True where a neighbour on one side, by its first value, is the same reading of another receptacle. */
function hasSameOn(side: 1 | -1, sorted: readonly Odd[], at: number): boolean {
  const odd = sorted[at] as Odd;
  for (let step = 1; step <= mostNeighbours; step += 1) {
    const other = sorted[at + side * step];
    if (other === undefined || Math.abs(other.first - odd.first) > alike) return false;
    if (isSameReading(odd, other)) return true;
  }
  return false;
}

/**
 * How often a receptacle shows what a meter read, reading by reading, by their index: most are sound, and another one of
 * the circuit may have been taken for this one. What neither shows is hardly read by mistake.
 */
export function shownElsewhere(
  readings: readonly Run[],
  { kinds, observed, nominalVolts }: Channels,
  readingCount: number,
): Float64Array {
  const shares = new Float64Array(readingCount).fill(1);
  const sharesOf = ({ first, end }: Run): readonly number[] =>
    Array.from({ length: end - first }, (_, span) =>
      kinds[first + span] === 'volts' ? (observed[first + span] as number) / nominalVolts : Number.NaN,
    );
  const odd = readings
    .flatMap((reading): readonly Odd[] => {
      const read = sharesOf(reading);
      const first = read.find((share) => !Number.isNaN(share));
      return first === undefined || isSound(reading, read) ? [] : [{ reading, shares: read, first }];
    })
    .sort((a, b) => a.first - b.first);
  odd.forEach(({ reading, shares: read }, at) => {
    if (hasSameOn(1, odd, at) || hasSameOn(-1, odd, at)) return;
    shares[reading.index] = read.some(isBetween) ? between : otherwise;
  });
  return shares;
}

/** True of volts that are neither line nor nothing. */
const isBetween = (share: number): boolean => share > sound.dead && share < sound.live[0];

/** True of volts that a sound receptacle shows, with a test's load on it or without. */
const isSound = ({ hookup: { ends } }: Run, shares: readonly number[]): boolean =>
  shares.every((share, span) => {
    if (Number.isNaN(share)) return true;
    const isLive = ends[2 * span] === 0 || ends[2 * span + 1] === 0;
    return isLive ? share >= sound.live[0] && share <= sound.live[1] : share <= sound.dead;
  });
