import { z } from 'zod';
import type { FaultKind } from './kind.ts';
import { concerns, conductor, isSameConductor, leg, oneSite, oneSiteMessage, site } from './site.ts';

const schema = z
  .strictObject({
    kind: z.literal('resistance'),
    conductor,
    leg,
    /** In series, on top of the conductor's own. */
    ohms: z.number().min(0).max(1e9),
    ...site,
  })
  .refine(oneSite, oneSiteMessage);
export type Resistance = z.output<typeof schema>;

/** Odds at one site against its being sound. */
const odds = {
  // Loose terminals, push-in connections and corroded splices; each conductor of each box.
  'poor-connection': 0.003,
  // Grounds under one screw, or twisted and never clamped.
  'ground-of-high-resistance': 0.002,
};

/** Ohms that a poor connection is tried with before any are fitted. */
export const firstOhms = 1;

/** A poor connection. */
export const resistance: FaultKind<Resistance, keyof typeof odds> & {
  readonly schema: typeof schema;
  readonly odds: typeof odds;
} = {
  schema,
  within: 'conductor',
  isSameSpot: isSameConductor,
  nearerPanel: 0.6,
  odds,
  conduct(fault, wire, path) {
    if (concerns(fault, wire)) path.ohms += fault.ohms;
  },
  inConductor: (of, ofLeg, where) => [
    {
      prior: of === 'ground' ? 'ground-of-high-resistance' : 'poor-connection',
      faults: [{ kind: 'resistance', conductor: of, ...ofLeg, ohms: firstOhms, ...where }],
    },
  ],
};
