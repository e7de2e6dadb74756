import { type Contact, contactsOfPair, type Pair, pairs } from './contacts.ts';

/** A lamp is lit from 0.70 × nominal, dim from 0.54 × nominal, else off. */
export const lampStates = ['lit', 'dim', 'off'] as const;
export type LampState = (typeof lampStates)[number];

/** What the lamps show, by pair. Where a lamp sits on the tester is a matter of its layout. */
export type Lamps = Readonly<Record<Pair, LampState>>;

/** The eight patterns of three lamps without a dim one, named by the lit pairs. */
export const lampPatterns = ['hn-hg', 'hn-ng', 'hg-ng', 'hn', 'hg', 'ng', 'none', 'all'] as const;
export type LampPattern = (typeof lampPatterns)[number];

const litPairs: Readonly<Record<LampPattern, readonly Pair[]>> = {
  'hn-hg': ['hn', 'hg'],
  'hn-ng': ['hn', 'ng'],
  'hg-ng': ['hg', 'ng'],
  hn: ['hn'],
  hg: ['hg'],
  ng: ['ng'],
  none: [],
  all: ['hn', 'hg', 'ng'],
};

export function lampsOf(pattern: LampPattern): Lamps {
  const state = (pair: Pair): LampState => (litPairs[pattern].includes(pair) ? 'lit' : 'off');
  return { hn: state('hn'), hg: state('hg'), ng: state('ng') };
}

/**
 * The patterns a reading may stand for: one where every lamp is lit or off, several where a lamp is dim
 * (a dim lamp counts as evidence for either).
 */
export function patternsOf(lamps: Lamps): readonly LampPattern[] {
  return lampPatterns.filter((pattern) =>
    pairs.every((pair) => lamps[pair] === 'dim' || lamps[pair] === lampsOf(pattern)[pair]),
  );
}

/** Lit from 0.70 × nominal, dim from 0.54 × nominal: the thresholds of the electrical model. */
export const litFrom = 0.7;
export const dimFrom = 0.54;

/** Potential of each contact against earth, as a multiple of the nominal voltage, signed by leg. */
export type ContactPotentials = Readonly<Record<Contact, number>>;

/** What a lamp shows across so much of nominal. */
export const lampAcross = (share: number): LampState =>
  share >= litFrom ? 'lit' : share >= dimFrom ? 'dim' : 'off';

/** What the lamps show for given potentials of the three contacts. */
export function lampsAt(potentials: ContactPotentials): Lamps {
  const state = (pair: Pair): LampState => {
    const [a, b] = contactsOfPair[pair];
    return lampAcross(Math.abs(potentials[a] - potentials[b]));
  };
  return { hn: state('hn'), hg: state('hg'), ng: state('ng') };
}
