import { z } from 'zod';
import type { Conductor } from '../physics/index.ts';
import type { FaultKind } from './kind.ts';
import { concerns, isSameConductor } from './site.ts';
import { conductor, leg, oneSite, oneSiteMessage, site } from './site-schema.ts';

/** What a circuit file holds of it; a function, so that an engine in a browser takes no schema along. */
export const openSchema = () =>
  z.strictObject({ kind: z.literal('open'), conductor, leg, ...site }).refine(oneSite, oneSiteMessage);
export type Open = z.output<ReturnType<typeof openSchema>>;

/** Odds at one site against its being sound. */
const odds = {
  // With reversals the most common finding: a ground left off, or cut short.
  'missing-ground': 0.01,
  // A loose or broken hot; people notice it and have it mended.
  'open-hot': 0.003,
  // A loose neutral: not every one who reports a dead outlet has it mended.
  'open-neutral': 0.004,
};

const priorOf = {
  hot: 'open-hot',
  neutral: 'open-neutral',
  ground: 'missing-ground',
} as const satisfies Readonly<Record<Conductor, keyof typeof odds>>;

/** A conductor that does not conduct. */
export const open: FaultKind<Open, keyof typeof odds> & { readonly odds: typeof odds } = {
  within: 'conductor',
  isSameSpot: isSameConductor,
  nearerPanel: 0.6,
  odds,
  conduct(fault, wire, path) {
    if (concerns(fault, wire)) path.isOpen = true;
  },
  hangsOnLoads: (fault) => fault.conductor !== 'ground',
  inConductor: (of, ofLeg, where) => [
    { prior: priorOf[of], faults: [{ kind: 'open', conductor: of, ...ofLeg, ...where }] },
  ],
  inAllHots: (where) => [{ prior: 'open-hot', faults: [{ kind: 'open', conductor: 'hot', ...where }] }],
};
