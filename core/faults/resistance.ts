import { z } from 'zod';
import type { FaultKind } from './kind.ts';
import { concerns, isSameConductor } from './site.ts';
import { conductor, leg, oneSite, oneSiteMessage, site } from './site-schema.ts';

/** What a circuit file holds of it; a function, so that an engine in a browser takes no schema along. */
export const resistanceSchema = () =>
  z
    .strictObject({
      kind: z.literal('resistance'),
      conductor,
      leg,
      /** In series, on top of the conductor's own. */
      ohms: z.number().min(0).max(1e9),
      ...site,
    })
    .refine(oneSite, oneSiteMessage);
export type Resistance = z.output<ReturnType<typeof resistanceSchema>>;

/** Odds at one site against its being sound. */
const odds = {
  // Loose terminals, push-in connections and corroded splices; each conductor of each box.
  'poor-connection': 0.003,
  // Whoever left one screw of a device loose left the other so once in six; a device worn out at one slot is at both.
  'poor-terminals': 0.0005,
  // Grounds under one screw, or twisted and never clamped.
  'ground-of-high-resistance': 0.002,
};

/** Ohms that a poor connection is tried with before any are fitted. */
export const firstOhms = 1;

/** A poor connection. */
export const resistance: FaultKind<Resistance, keyof typeof odds> & { readonly odds: typeof odds } = {
  within: 'conductor',
  isSameSpot: isSameConductor,
  nearerPanel: 0.6,
  odds,
  conduct(fault, wire, path) {
    if (concerns(fault, wire)) path.ohms += fault.ohms;
  },
  between: ([a, b], ofLeg, where) =>
    b !== 'neutral' || 'cable' in where
      ? []
      : [
          {
            prior: 'poor-terminals',
            faults: [
              { kind: 'resistance', conductor: a, ...ofLeg, ohms: firstOhms, ...where },
              { kind: 'resistance', conductor: b, ohms: firstOhms, ...where },
            ],
          },
        ],
  inConductor: (of, ofLeg, where) => [
    {
      prior: of === 'ground' ? 'ground-of-high-resistance' : 'poor-connection',
      faults: [{ kind: 'resistance', conductor: of, ...ofLeg, ohms: firstOhms, ...where }],
    },
  ],
};
