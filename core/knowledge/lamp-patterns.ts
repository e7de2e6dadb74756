import type { ContactPotentials, LampPattern } from '../instruments/lamps.ts';
import type { ConditionId } from './condition.ts';

/** How often practitioners meet a cause behind a pattern (common practice). */
export type Frequency = 'usual' | 'met' | 'rare';

/** Each state of a receptacle that shows a pattern, and the two behind a dim lamp. */
export const fitIds = [
  'wired-right',
  'reversed-with-jumper',
  'jumper-for-ground',
  'joined-in-box',
  'neutral-ground-exchanged',
  'touching-connection',
  'balanced-lost-neutral',
  'hot-neutral-exchanged',
  'hot-to-ground-jumper',
  'hot-ground-exchanged',
  'low-leg',
  'open-neutral-loaded',
  'reversed-open-hot-loaded',
  'ground-missing',
  'hidden-reversal',
  'open-neutral-unloaded',
  'live-ground-open-neutral',
  'hot-on-neutral',
  'live-ground-open-hot',
  'off-or-broken',
  'slots-live',
  'tripped-upstream',
  'shared-neutral-lost',
  'across-two-legs',
  'leg-on-ground-and-hot',
  'leg-on-ground-and-neutral',
  'low-voltage',
  'unequal-legs',
] as const;
export type FitId = (typeof fitIds)[number];

/** One state of a receptacle that shows a pattern. */
export interface Fit {
  /** What holds there, the most dangerous first. */
  readonly conditions: readonly [ConditionId, ...ConditionId[]];
  /** What it is: its words say more than the conditions' names. */
  readonly id: FitId;
  readonly frequency: Frequency;
  /** The contacts against earth as multiples of nominal; a floating contact lies between its neighbours. */
  readonly potentials: ContactPotentials;
}

export type TestKind = 'probe' | 'meter' | 'lamps-loads-off' | 'prove-tester';

export interface PatternEntry {
  readonly pattern: LampPattern;
  /** The first is what the pattern is usually read as. */
  readonly fits: readonly [Fit, ...Fit[]];
  /** What settles it; null where testing must end. */
  readonly settle: TestKind | null;
  /** Testing must end there. */
  readonly stops: boolean;
}

/** What a language says of a pattern. */
export interface PatternWords {
  /** The short word on the key that enters it. */
  readonly key: string;
  readonly headline: string;
  /** Why it matters, where the first fit's own reason would say too much. */
  readonly why?: string;
  /** What puts it right, where that hangs on which of the fits it is. */
  readonly correction?: string;
  /** What to do to settle it, and what each outcome means. */
  readonly settle: string | null;
  /** What practitioners add that the model does not show (common practice). */
  readonly practice: string | null;
  /** Said instead of a next test where testing must end. */
  readonly stop: string | null;
}

const at = (hot: number, neutral: number, ground: number): ContactPotentials => ({ hot, neutral, ground });

/**
 * The eight patterns of three lamps and every state each of them fits. Potentials make the table checkable:
 * a test derives each pattern from them. Three lamps see differences only, so every state has a twin with all
 * contacts turned over that shows the same (the complement law).
 */
export const patternTable: Readonly<Record<LampPattern, PatternEntry>> = {
  'hn-hg': {
    pattern: 'hn-hg',
    fits: [
      { conditions: ['correct'], id: 'wired-right', frequency: 'usual', potentials: at(1, 0, 0) },
      {
        conditions: ['reversed-bootleg-ground'],
        id: 'reversed-with-jumper',
        frequency: 'rare',
        potentials: at(0, 1, 1),
      },
      {
        conditions: ['bootleg-ground'],
        id: 'jumper-for-ground',
        frequency: 'met',
        potentials: at(1, 0, 0),
      },
      {
        conditions: ['neutral-ground-bond'],
        id: 'joined-in-box',
        frequency: 'met',
        potentials: at(1, 0, 0),
      },
      {
        conditions: ['neutral-ground-swapped'],
        id: 'neutral-ground-exchanged',
        frequency: 'rare',
        potentials: at(1, 0, 0),
      },
      {
        conditions: ['high-resistance'],
        id: 'touching-connection',
        frequency: 'met',
        potentials: at(1, 0, 0),
      },
      {
        conditions: ['lost-shared-neutral'],
        id: 'balanced-lost-neutral',
        frequency: 'rare',
        potentials: at(1, 0.05, 0),
      },
    ],
    settle: 'probe',
    stops: false,
  },
  'hn-ng': {
    pattern: 'hn-ng',
    fits: [
      {
        conditions: ['reversed-polarity'],
        id: 'hot-neutral-exchanged',
        frequency: 'usual',
        potentials: at(0, 1, 0),
      },
      {
        conditions: ['energized-ground'],
        id: 'hot-to-ground-jumper',
        frequency: 'rare',
        potentials: at(1, 0, 1),
      },
    ],
    settle: 'probe',
    stops: false,
  },
  'hg-ng': {
    pattern: 'hg-ng',
    fits: [
      {
        conditions: ['hot-ground-reversed'],
        id: 'hot-ground-exchanged',
        frequency: 'rare',
        potentials: at(0, 0, 1),
      },
      {
        conditions: ['open-neutral'],
        id: 'open-neutral-loaded',
        frequency: 'usual',
        potentials: at(1, 1, 0),
      },
      {
        conditions: ['lost-shared-neutral'],
        id: 'low-leg',
        frequency: 'rare',
        potentials: at(1, 0.8, 0),
      },
      {
        conditions: ['reversed-polarity', 'open-hot'],
        id: 'reversed-open-hot-loaded',
        frequency: 'rare',
        potentials: at(1, 1, 0),
      },
    ],
    settle: 'lamps-loads-off',
    stops: false,
  },
  hn: {
    pattern: 'hn',
    fits: [
      {
        conditions: ['open-ground'],
        id: 'ground-missing',
        frequency: 'usual',
        potentials: at(1, 0, 0.5),
      },
      {
        conditions: ['reversed-polarity', 'open-ground'],
        id: 'hidden-reversal',
        frequency: 'met',
        potentials: at(0, 1, 0.5),
      },
    ],
    settle: 'probe',
    stops: false,
  },
  hg: {
    pattern: 'hg',
    fits: [
      {
        conditions: ['open-neutral'],
        id: 'open-neutral-unloaded',
        frequency: 'usual',
        potentials: at(1, 0.5, 0),
      },
      {
        conditions: ['energized-ground', 'open-neutral'],
        id: 'live-ground-open-neutral',
        frequency: 'rare',
        potentials: at(0, 0.5, 1),
      },
    ],
    settle: 'probe',
    stops: false,
  },
  ng: {
    pattern: 'ng',
    fits: [
      {
        conditions: ['reversed-polarity', 'open-hot'],
        id: 'hot-on-neutral',
        frequency: 'usual',
        potentials: at(0.5, 1, 0),
      },
      {
        conditions: ['energized-ground', 'open-hot'],
        id: 'live-ground-open-hot',
        frequency: 'rare',
        potentials: at(0.5, 0, 1),
      },
    ],
    settle: 'probe',
    stops: false,
  },
  none: {
    pattern: 'none',
    fits: [
      {
        conditions: ['open-hot'],
        id: 'off-or-broken',
        frequency: 'usual',
        potentials: at(0, 0, 0),
      },
      {
        conditions: ['open-neutral', 'open-ground'],
        id: 'slots-live',
        frequency: 'met',
        potentials: at(1, 1, 1),
      },
      {
        conditions: ['protection-tripped'],
        id: 'tripped-upstream',
        frequency: 'met',
        potentials: at(0, 0, 0),
      },
    ],
    settle: 'prove-tester',
    stops: false,
  },
  all: {
    pattern: 'all',
    fits: [
      {
        conditions: ['lost-shared-neutral'],
        id: 'shared-neutral-lost',
        frequency: 'usual',
        potentials: at(1, -0.8, 0),
      },
      {
        conditions: ['lost-shared-neutral'],
        id: 'across-two-legs',
        frequency: 'met',
        potentials: at(1, -1, 0),
      },
      {
        conditions: ['energized-ground', 'lost-shared-neutral'],
        id: 'leg-on-ground-and-hot',
        frequency: 'rare',
        potentials: at(-1, 0, 1),
      },
      {
        conditions: ['energized-ground', 'lost-shared-neutral'],
        id: 'leg-on-ground-and-neutral',
        frequency: 'rare',
        potentials: at(0, -1, 1),
      },
    ],
    settle: null,
    stops: true,
  },
};
