import type { ConductorMetal } from '../conditions/index.ts';
import type { Schools } from '../corrections/index.ts';
import { type CoverOff, type House, type Receptacle, receptaclesOf } from '../inspection/index.ts';
import type { Evidence, Place } from './finding.ts';

/** What may be known of a conductor, or of the house it is in. */
export interface ConductorSigns
  extends Pick<CoverOff, 'metal' | 'jacket' | 'awg' | 'breakerAmps' | 'insulation'> {
  readonly yearBuilt?: number | undefined;
  /** Houses of the same subdivision are known to have it. */
  readonly neighbours?: boolean | undefined;
}

export interface MetalJudged {
  readonly metal: ConductorMetal | 'likely-aluminum' | 'possibly-aluminum' | 'unknown';
  /** What speaks for it, in words. */
  readonly because: readonly string[];
}

export const metalWords: Readonly<Record<Exclude<MetalJudged['metal'], 'unknown'>, string>> = {
  copper: 'Copper',
  aluminum: 'Aluminum',
  'tinned-copper': 'Tinned copper, not aluminum',
  'copper-clad': 'Copper-clad aluminum',
  'not-sure': 'Not told yet',
  'likely-aluminum': 'Likely aluminum: look at a cut end',
  'possibly-aluminum': 'Possibly aluminum',
};

/** Branch wiring of aluminum: its core years (CPSC 516, from memory), and to when it is met (common practice). */
const coreYears = [1965, 1973] as const;
const lastYear = 1978;
/** Rubber and cloth insulation, with tinned copper in it, to about this year (common practice). */
const tinnedTo = 1950;
/** Copper's usual size at a breaker, AWG; aluminum's is the next thicker (NEC 240.4(D), from memory). */
const copperAt: Readonly<Record<number, number>> = { 15: 14, 20: 12, 30: 10 };

const within = (year: number | undefined, from: number, to: number): boolean =>
  year !== undefined && from <= year && year <= to;

/**
 * What metal a conductor is. A cut end decides; so does a mark on the jacket where no cut end was seen. Size, year and
 * neighbours only make it likelier: thick copper is met, and so is a stretch of aluminum in a house of any year.
 */
export function metalOf(signs: ConductorSigns): MetalJudged {
  const { metal, jacket, awg, breakerAmps, insulation, yearBuilt, neighbours } = signs;
  if (metal === 'aluminum') return { metal, because: ['silver right through the cut end'] };
  if (metal === 'copper-clad') return { metal, because: ['copper outside, silver in the cut end'] };
  if (metal === 'copper') return { metal, because: ['copper through the cut end'] };
  if (metal === 'tinned-copper')
    return {
      metal,
      because: [
        'silver outside, copper in the cut end',
        ...(insulation === 'cloth-or-rubber' ? ['in rubber or cloth'] : []),
        ...(within(yearBuilt, 0, tinnedTo) ? ['of an age that tinned its copper'] : []),
      ],
    };
  if (jacket === 'aluminum') return { metal: 'aluminum', because: ['AL or ALUMINUM on the jacket'] };
  const isFat =
    awg !== undefined && breakerAmps !== undefined && awg === (copperAt[breakerAmps] ?? Number.NaN) - 2;
  const isCore = within(yearBuilt, ...coreYears);
  const because = [
    ...(isFat ? [`${awg} AWG on ${breakerAmps} A: one size fatter than copper`] : []),
    ...(isCore
      ? [`built ${yearBuilt}, in the core of the aluminum years`]
      : within(yearBuilt, coreYears[0], lastYear)
        ? [`built ${yearBuilt}, in the aluminum years`]
        : []),
    ...(neighbours === true ? ['neighbouring houses have it'] : []),
  ];
  const isSilverUnsure = metal === 'not-sure' ? 1 : 0;
  if (because.length === 0) return { metal: 'unknown', because };
  return { metal: because.length + isSilverUnsure >= 3 ? 'likely-aluminum' : 'possibly-aluminum', because };
}

export interface AluminumInHouse {
  /** Seen at a conductor; or only pointed to; or neither. */
  readonly standing: 'seen' | 'signs' | 'none';
  /** A connection on it is scorched, hot or buzzing. */
  readonly isFailing: boolean;
  readonly receptacles: readonly Place[];
  readonly evidence: readonly Evidence[];
}

const failing = ['scorch', 'heat', 'buzzing'] as const;

export const metalAt = (receptacle: Receptacle, house: House): MetalJudged =>
  metalOf({
    ...receptacle.coverOff,
    ...(house.yearBuilt === null ? {} : { yearBuilt: house.yearBuilt }),
    neighbours: house.aluminumNearby ?? undefined,
  });

/** Whether what was seen in a box is aluminum. */
export function isAluminumAt(receptacle: Receptacle, house: House, clad: Schools['copper-clad']): boolean {
  const { metal } = metalAt(receptacle, house);
  return metal === 'aluminum' || (metal === 'copper-clad' && clad === 'as-aluminum');
}

/**
 * Aluminum branch wiring in a house, by what was seen with covers off, and by what points to it. Copper-clad counts
 * where the firm's school takes it as aluminum.
 */
export function aluminumIn(house: House, clad: Schools['copper-clad']): AluminumInHouse {
  const opened = receptaclesOf(house)
    .filter(({ coverOff }) => coverOff !== null)
    .map((receptacle) => ({ receptacle, judged: metalAt(receptacle, house) }));
  const evidenceFrom = (list: typeof opened): readonly Evidence[] =>
    list.map(({ receptacle, judged }) => ({
      receptacle: receptacle.name,
      words: judged.because.join(', '),
      at: null,
    }));
  const there = (list: typeof opened) => ({
    receptacles: list.map(({ receptacle: { id, name } }) => ({ id, name })),
    evidence: evidenceFrom(list),
  });
  const seen = opened.filter(({ receptacle }) => isAluminumAt(receptacle, house, clad));
  if (seen.length > 0)
    return {
      standing: 'seen',
      isFailing: seen.some(({ receptacle }) => failing.some((look) => receptacle.looks.includes(look))),
      ...there(seen),
    };
  const pointed = opened.filter(({ judged: { metal } }) => metal === 'likely-aluminum');
  const isNearby = house.aluminumNearby === true;
  if (pointed.length === 0 && !isNearby)
    return { standing: 'none', isFailing: false, receptacles: [], evidence: [] };
  const { receptacles, evidence } = there(pointed);
  const nearby = metalOf({
    ...(house.yearBuilt === null ? {} : { yearBuilt: house.yearBuilt }),
    neighbours: isNearby,
  });
  return {
    standing: 'signs',
    isFailing: false,
    receptacles,
    evidence:
      evidence.length > 0 ? evidence : [{ receptacle: null, words: nearby.because.join(', '), at: null }],
  };
}
