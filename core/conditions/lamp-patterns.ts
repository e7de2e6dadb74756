import type { ContactPotentials, LampPattern } from '../instruments/lamps.ts';
import type { ConditionId } from './condition.ts';

/** How often practitioners meet a cause behind a pattern (common practice). */
export type Frequency = 'usual' | 'met' | 'rare';

/** One state of a receptacle that shows a pattern. */
export interface Fit {
  /** What holds there, the most dangerous first. */
  readonly conditions: readonly [ConditionId, ...ConditionId[]];
  /** What it is in a few words, where the conditions' names do not say enough. */
  readonly how: string;
  readonly frequency: Frequency;
  /** The contacts against earth as multiples of nominal; a floating contact lies between its neighbours. */
  readonly potentials: ContactPotentials;
}

export type TestKind = 'probe' | 'meter' | 'lamps-loads-off' | 'prove-tester';

export interface SettlingTest {
  readonly test: TestKind;
  /** What to do, and what each outcome means. */
  readonly why: string;
}

export interface PatternEntry {
  readonly pattern: LampPattern;
  /** The short word on the key that enters it. */
  readonly key: string;
  readonly headline: string;
  /** Why it matters, where the first fit's own reason would say too much. */
  readonly why?: string;
  /** What puts it right, where that hangs on which of the fits it is. */
  readonly correction?: string;
  /** The first is what the pattern is usually read as. */
  readonly fits: readonly [Fit, ...Fit[]];
  readonly settle: SettlingTest | null;
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
    key: 'Correct',
    headline: 'Reads correct',
    fits: [
      { conditions: ['correct'], how: 'wired as it should be', frequency: 'usual', potentials: at(1, 0, 0) },
      {
        conditions: ['reversed-bootleg-ground'],
        how: 'hot and neutral exchanged, with a jumper that makes the ground live',
        frequency: 'rare',
        potentials: at(0, 1, 1),
      },
      {
        conditions: ['bootleg-ground'],
        how: 'a jumper from neutral where a ground should be',
        frequency: 'met',
        potentials: at(1, 0, 0),
      },
      {
        conditions: ['neutral-ground-swapped'],
        how: 'neutral and ground on each other’s terminals',
        frequency: 'rare',
        potentials: at(1, 0, 0),
      },
      {
        conditions: ['high-resistance'],
        how: 'a loose connection that still touches',
        frequency: 'met',
        potentials: at(1, 0, 0),
      },
      {
        conditions: ['lost-shared-neutral'],
        how: 'a lost shared neutral whose two sides carry like loads for now',
        frequency: 'rare',
        potentials: at(1, 0.05, 0),
      },
    ],
    settle: {
      test: 'probe',
      why: 'A proved probe that stays silent at the ground rules out a live ground. A load test then tells a real ground from a jumper: with a real one, neutral to ground rises by about half the drop.',
    },
    practice: null,
    stop: null,
  },
  'hn-ng': {
    pattern: 'hn-ng',
    key: 'Reversed',
    headline: 'Reads hot and neutral reversed',
    fits: [
      {
        conditions: ['reversed-polarity'],
        how: 'hot and neutral exchanged',
        frequency: 'usual',
        potentials: at(0, 1, 0),
      },
      {
        conditions: ['energized-ground'],
        how: 'hot and ground both live with a good neutral: a jumper from hot where no ground arrives',
        frequency: 'rare',
        potentials: at(1, 0, 1),
      },
    ],
    settle: {
      test: 'probe',
      why: 'The wide slot alone sounding is a reversal. If the ground or the plate screw sounds, stop: it is live.',
    },
    practice:
      'Some practitioners also meet this pattern with a loose neutral elsewhere on the circuit: read the neighbours before anything is opened.',
    stop: null,
  },
  'hg-ng': {
    pattern: 'hg-ng',
    key: 'Hot/ground',
    headline: 'Reads hot and ground reversed',
    why: 'Either the ground and every metal case plugged in are live, or, far more often, the neutral is open and something is switched on. Take the ground as live until a test tells.',
    correction:
      'Take the receptacle out of use at once; a licensed electrician finds the open neutral, or the place where hot and ground are exchanged, and corrects it.',
    fits: [
      {
        conditions: ['hot-ground-reversed'],
        how: 'a true exchange of hot and ground, almost never met',
        frequency: 'rare',
        potentials: at(0, 0, 1),
      },
      {
        conditions: ['open-neutral'],
        how: 'open neutral with something switched on here or downstream: far more common',
        frequency: 'usual',
        potentials: at(1, 1, 0),
      },
      {
        conditions: ['reversed-polarity', 'open-hot'],
        how: 'open hot, hot on the neutral, and a load switched on',
        frequency: 'rare',
        potentials: at(1, 1, 0),
      },
    ],
    settle: {
      test: 'lamps-loads-off',
      why: 'Unplug or switch off everything on this circuit and read again. If the second lamp goes out, the neutral is open. If both stay lit, take the ground as live.',
    },
    practice: null,
    stop: null,
  },
  hn: {
    pattern: 'hn',
    key: 'No ground',
    headline: 'Reads open ground',
    fits: [
      {
        conditions: ['open-ground'],
        how: 'the ground is broken, or there never was one',
        frequency: 'usual',
        potentials: at(1, 0, 0.5),
      },
      {
        conditions: ['reversed-polarity', 'open-ground'],
        how: 'a reversal that the missing ground hides',
        frequency: 'met',
        potentials: at(0, 1, 0.5),
      },
    ],
    settle: {
      test: 'probe',
      why: 'The narrow slot sounding and the wide one silent leaves only the ground open. The wide slot sounding means it is reversed as well. Over a floating ground the probe may sound by induction.',
    },
    practice: null,
    stop: null,
  },
  hg: {
    pattern: 'hg',
    key: 'No neutral',
    headline: 'Reads open neutral',
    fits: [
      {
        conditions: ['open-neutral'],
        how: 'the neutral is broken here or upstream, with nothing switched on',
        frequency: 'usual',
        potentials: at(1, 0.5, 0),
      },
      {
        conditions: ['energized-ground', 'open-neutral'],
        how: 'live ground and an open neutral',
        frequency: 'rare',
        potentials: at(0, 0.5, 1),
      },
    ],
    settle: {
      test: 'probe',
      why: 'The narrow slot sounding with a silent ground leaves the neutral open. If the ground or the plate screw sounds, stop: it is live.',
    },
    practice: null,
    stop: null,
  },
  ng: {
    pattern: 'ng',
    key: 'No hot',
    headline: 'Reads open hot, with hot on the neutral',
    fits: [
      {
        conditions: ['reversed-polarity', 'open-hot'],
        how: 'the wide slot is live and the narrow one is open',
        frequency: 'usual',
        potentials: at(0.5, 1, 0),
      },
      {
        conditions: ['energized-ground', 'open-hot'],
        how: 'live ground and an open hot',
        frequency: 'rare',
        potentials: at(0.5, 0, 1),
      },
    ],
    settle: {
      test: 'probe',
      why: 'The wide slot sounding with a silent ground leaves hot on the neutral. If the ground or the plate screw sounds, stop: it is live.',
    },
    practice: null,
    stop: null,
  },
  none: {
    pattern: 'none',
    key: 'Dark',
    headline: 'No lamps: not proved dead',
    fits: [
      {
        conditions: ['open-hot'],
        how: 'breaker or switch off, or hot broken',
        frequency: 'usual',
        potentials: at(0, 0, 0),
      },
      {
        conditions: ['open-neutral', 'open-ground'],
        how: 'open neutral where there is no ground: the slots are live',
        frequency: 'met',
        potentials: at(1, 1, 1),
      },
      {
        conditions: ['protection-tripped'],
        how: 'a ground-fault device upstream has tripped',
        frequency: 'met',
        potentials: at(0, 0, 0),
      },
    ],
    settle: {
      test: 'prove-tester',
      why: 'Prove the tester on a receptacle known to be live, then hold a proved probe to both slots. If either sounds, it is live.',
    },
    practice: 'A tester that was dropped may show nothing at all.',
    stop: null,
  },
  all: {
    pattern: 'all',
    key: 'All lit',
    headline: 'All lamps lit: overvoltage',
    fits: [
      {
        conditions: ['lost-shared-neutral'],
        how: 'the neutral shared by two legs is lost',
        frequency: 'usual',
        potentials: at(1, -0.8, 0),
      },
      {
        conditions: ['lost-shared-neutral'],
        how: 'two legs stand across this receptacle',
        frequency: 'met',
        potentials: at(1, -1, 0),
      },
      {
        conditions: ['energized-ground', 'lost-shared-neutral'],
        how: 'two legs reach it, one on the ground and one on the narrow slot',
        frequency: 'rare',
        potentials: at(-1, 0, 1),
      },
      {
        conditions: ['energized-ground', 'lost-shared-neutral'],
        how: 'two legs reach it, one on the ground and one on the wide slot',
        frequency: 'rare',
        potentials: at(0, -1, 1),
      },
    ],
    settle: null,
    practice: null,
    stop: 'Stop here. Touch nothing that is plugged in on this circuit: its metal may be live. Keep people away and have a licensed electrician called now.',
  },
};
