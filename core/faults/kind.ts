import type { Conductor, FaultEffect, Leg, WiredFault } from '../physics/index.ts';

/** Where a cause is looked for: in a cable, or at the terminals of an outlet. */
export type Where = { readonly cable: string } | { readonly at: string };

/** The box of an outlet. */
export interface Box {
  readonly at: string;
  /** Whether grounds lead there from the panel. */
  readonly groundArrives: boolean;
  /** The cable that feeds it, where it is one alone. */
  readonly onlyCable: string | null;
  /** Any cable that feeds it. */
  readonly cable: string | null;
}

/** One thing that may be wrong: the faults that are made together, and under which name its odds are kept. */
export interface Suspicion<Prior extends string, Made extends WiredFault> {
  readonly prior: Prior;
  readonly faults: readonly Made[];
  /** Part of those odds, where the same is done in several ways. */
  readonly share?: number;
}

/**
 * Everything about the faults `F` of one kind, beside their schema and the odds of their causes: what it may be
 * suspected for, made of faults `Made`. Methods, so that a kind may ask for its own faults.
 */
export interface FaultKind<F extends WiredFault, Prior extends string, Made extends WiredFault = F>
  extends FaultEffect<F> {
  /** What it is in: two faults in the same thing of one site are not told apart, or contradict each other. */
  readonly within: 'conductor' | 'exchange' | 'jumper';
  isSameSpot(a: F, b: F): boolean;
  /** In which part of the cases it is mended at the end of a cable that is nearer the panel. */
  readonly nearerPanel: number;
  /** Whether the loads that are in use decide in the large what is read beside it. */
  hangsOnLoads?(fault: F, hasDevices: boolean): boolean;
  /** Causes in one conductor; in all hots of a cable; between two conductors; in a box; at a ground-fault device. */
  inConductor?(
    conductor: Conductor,
    leg: { readonly leg?: Leg },
    where: Where,
  ): readonly Suspicion<Prior, Made>[];
  inAllHots?(where: Where): readonly Suspicion<Prior, Made>[];
  between?(
    pair: readonly [Conductor, Conductor],
    leg: { readonly leg?: Leg },
    where: Where,
  ): readonly Suspicion<Prior, Made>[];
  inBox?(box: Box): readonly Suspicion<Prior, Made>[];
  atDevice?(box: Box): readonly Suspicion<Prior, Made>[];
}
