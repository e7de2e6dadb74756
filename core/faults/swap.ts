import { z } from 'zod';
import { type Conductor, wireOf } from '../physics/index.ts';
import type { FaultKind } from './kind.ts';
import { leg, oneSite, oneSiteMessage, site, twoConductors } from './site-schema.ts';

/** What a circuit file holds of it; a function, so that an engine in a browser takes no schema along. */
export const swapSchema = () =>
  z
    .strictObject({ kind: z.literal('swap'), conductors: twoConductors, leg, ...site })
    .refine(oneSite, oneSiteMessage);
export type Swap = z.output<ReturnType<typeof swapSchema>>;

/** Odds at one site against its being sound. */
const odds = {
  // The most common wiring finding after missing grounds; made at one box.
  reversal: 0.008,
  // Exchanged in a splice, so that everything beyond has it too.
  'reversal-upstream': 0.003,
  // A true exchange of hot and ground is almost never met.
  'hot-ground-exchanged': 0.0003,
  // White and bare confused; nothing shows it, so it stays.
  'neutral-ground-exchanged': 0.0015,
};

const priorOf = ([a, b]: readonly [Conductor, Conductor], isCable: boolean): keyof typeof odds => {
  if (b === 'neutral') return isCable ? 'reversal-upstream' : 'reversal';
  return a === 'hot' ? 'hot-ground-exchanged' : 'neutral-ground-exchanged';
};

/** Two conductors whose far ends are exchanged. */
export const swap: FaultKind<Swap, keyof typeof odds> & { readonly odds: typeof odds } = {
  within: 'exchange',
  isSameSpot: (a, b) => a.conductors.join() === b.conductors.join() && a.leg === b.leg,
  nearerPanel: 0.4,
  odds,
  exchanged: ({ conductors: [a, b], leg: own }, first) => [wireOf(a, own ?? first), wireOf(b, own ?? first)],
  // Between neutral and ground nothing hangs in the air: both lead to the panel.
  hangsOnLoads: ({ conductors }) => conductors.includes('ground') && conductors.includes('hot'),
  between: (pair, ofLeg, where) => [
    {
      prior: priorOf(pair, 'cable' in where),
      faults: [{ kind: 'swap', conductors: [...pair], ...ofLeg, ...where }],
    },
  ],
};
