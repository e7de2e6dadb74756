import {
  type AluminumPlace,
  type ConductorMetal,
  isSmallAluminum,
  type RemedyInPlace,
  type Schools,
} from '../knowledge/index.ts';
import { type CoverOff, type House, panelsOf, type Receptacle, receptaclesOf } from '../log/index.ts';
import type { Place } from './place.ts';

/** What may be known of a conductor, or of the house it is in. */
export interface ConductorSigns
  extends Pick<CoverOff, 'metal' | 'jacket' | 'awg' | 'breakerAmps' | 'insulation' | 'remedy'> {
  readonly yearBuilt?: number | undefined;
  /** Houses of the same subdivision are known to have it. */
  readonly neighbours?: boolean | undefined;
}

export interface MetalJudged {
  readonly metal: ConductorMetal | 'likely-aluminum' | 'possibly-aluminum' | 'unknown';
  /** What speaks for it. */
  readonly because: readonly MetalSign[];
}

/** What speaks for a metal. */
type PlainSign =
  | 'silver-through'
  | 'copper-outside'
  | 'copper-through'
  | 'silver-outside'
  | 'rubber-or-cloth'
  | 'tinned-age'
  | 'jacket'
  | 'neighbours';

export type MetalSign =
  | { readonly kind: PlainSign }
  /** One size fatter than copper would be. */
  | { readonly kind: 'fat'; readonly awg: number; readonly amps: number }
  | { readonly kind: 'core-year' | 'aluminum-year' | 'jacket-year'; readonly year: number }
  /** Seen elsewhere than in a receptacle's box. */
  | { readonly kind: 'seen-at'; readonly place: AluminumPlace }
  /** A connector or device that is made for it. */
  | { readonly kind: 'remedy'; readonly remedy: RemedyInPlace }
  /** On a breaker of a panel. */
  | { readonly kind: 'on-breaker'; readonly number: string; readonly amps: number | null };

/** Branch wiring of aluminum: its core years (CPSC 516, from memory), and to when it is met (common practice). */
const coreYears = [1965, 1973] as const;
const lastYear = 1978;
/** Rubber and cloth insulation, with tinned copper in it, to about this year (common practice). */
const tinnedTo = 1950;
/** Copper's usual size at a breaker, AWG; aluminum's is the next thicker (NEC 240.4(D), from memory). */
const copperAt: Readonly<Record<number, number>> = { 15: 14, 20: 12, 30: 10 };

const within = (year: number | undefined, from: number, to: number): year is number =>
  year !== undefined && from <= year && year <= to;

const sign = (kind: PlainSign): MetalSign => ({ kind });

/** One size fatter than copper would be. */
const sizeSign = (awg: number | undefined, amps: number | undefined): readonly MetalSign[] =>
  awg !== undefined && amps !== undefined && awg === (copperAt[amps] ?? Number.NaN) - 2
    ? [{ kind: 'fat', awg, amps }]
    : [];

/** Whether a house is of the years of aluminum branch wiring. */
export const isAluminumYear = (year: number): boolean => within(year, coreYears[0], lastYear);

function yearSign(year: number | undefined): readonly MetalSign[] {
  if (within(year, ...coreYears)) return [{ kind: 'core-year', year }];
  return within(year, coreYears[0], lastYear) ? [{ kind: 'aluminum-year', year }] : [];
}

/**
 * What metal a conductor is. A cut end decides; so does a mark on the jacket where no cut end was seen. Size, year and
 * neighbours only make it likelier: thick copper is met, and so is a stretch of aluminum in a house of any year.
 */
export function metalOf(signs: ConductorSigns): MetalJudged {
  const { metal, jacket, awg, breakerAmps, insulation, yearBuilt, neighbours, remedy } = signs;
  if (metal === 'aluminum') return { metal, because: [{ kind: 'silver-through' }] };
  if (metal === 'copper-clad') return { metal, because: [{ kind: 'copper-outside' }] };
  if (metal === 'copper') return { metal, because: [{ kind: 'copper-through' }] };
  if (metal === 'tinned-copper')
    return {
      metal,
      because: [
        { kind: 'silver-outside' },
        ...(insulation === 'cloth-or-rubber' ? [sign('rubber-or-cloth')] : []),
        ...(within(yearBuilt, 0, tinnedTo) ? [sign('tinned-age')] : []),
      ],
    };
  // Nobody puts such a connector on copper alone.
  if (remedy !== undefined && remedy !== 'plain-device')
    return { metal: 'aluminum', because: [{ kind: 'remedy', remedy }] };
  if (jacket === 'aluminum') return { metal: 'aluminum', because: [{ kind: 'jacket' }] };
  const because: readonly MetalSign[] = [
    ...sizeSign(awg, breakerAmps),
    ...yearSign(yearBuilt),
    ...(neighbours === true ? [sign('neighbours')] : []),
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
  readonly evidence: readonly MetalEvidence[];
}

/** What speaks for aluminum, and where; null: of the house. */
export interface MetalEvidence {
  readonly receptacle: string | null;
  readonly signs: readonly MetalSign[];
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

/** Aluminum of branch circuits that was seen at a panel, in a switch's box or on a jacket. */
function seenElsewhere(house: House, clad: Schools['copper-clad']): readonly MetalSign[] {
  const counts = (metal: ConductorMetal | undefined): boolean =>
    metal === 'aluminum' || (metal === 'copper-clad' && clad === 'as-aluminum');
  const onBreakers = panelsOf(house).flatMap(({ breakers }) =>
    breakers.flatMap(({ number, metal, size, amps = null }): readonly MetalSign[] =>
      // Thick aluminum is usual; on a small breaker it is branch wiring, whatever its size.
      counts(metal) && (isSmallAluminum(metal ?? null, size ?? null) || (size === undefined && isSmall(amps)))
        ? [{ kind: 'on-breaker', number: number ?? '–', amps }]
        : [],
    ),
  );
  const sought = Object.entries(house.parts?.aluminumSought ?? {}).flatMap(
    ([place, { found, jacketYear }]): readonly MetalSign[] =>
      found
        ? [
            { kind: 'seen-at', place: place as AluminumPlace },
            ...(jacketYear === undefined ? [] : [{ kind: 'jacket-year', year: jacketYear } as const]),
          ]
        : [],
  );
  return [...onBreakers, ...sought];
}

/** Breakers of receptacle circuits. */
const isSmall = (amps: number | null): boolean => amps !== null && amps <= 25;

/**
 * Aluminum branch wiring in a house, by what was seen with covers off, and by what points to it. Copper-clad counts
 * where the firm's school takes it as aluminum.
 */
export function aluminumIn(house: House, clad: Schools['copper-clad']): AluminumInHouse {
  const opened = receptaclesOf(house)
    .filter(({ coverOff }) => coverOff !== null)
    .map((receptacle) => ({ receptacle, judged: metalAt(receptacle, house) }));
  const evidenceFrom = (list: typeof opened): readonly MetalEvidence[] =>
    list.map(({ receptacle: { name, coverOff }, judged }) => ({
      receptacle: name,
      signs: [
        ...judged.because,
        ...(coverOff?.jacketYear === undefined
          ? []
          : [{ kind: 'jacket-year', year: coverOff.jacketYear } as const]),
      ],
    }));
  const there = (list: typeof opened) => ({
    receptacles: list.map(({ receptacle: { id, name } }) => ({ id, name })),
    evidence: evidenceFrom(list),
  });
  const seen = opened.filter(({ receptacle }) => isAluminumAt(receptacle, house, clad));
  const elsewhere = seenElsewhere(house, clad);
  if (seen.length > 0 || elsewhere.length > 0) {
    const { receptacles, evidence } = there(seen);
    return {
      standing: 'seen',
      isFailing: seen.some(({ receptacle }) => failing.some((look) => receptacle.looks.includes(look))),
      receptacles,
      evidence: [...evidence, ...elsewhere.map((one) => ({ receptacle: null, signs: [one] }))],
    };
  }
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
    evidence: evidence.length > 0 ? evidence : [{ receptacle: null, signs: nearby.because }],
  };
}
