import { z } from 'zod';
import { type Conductor, wireOf } from '../physics/index.ts';
import type { Box, FaultKind, Suspicion } from './kind.ts';
import type { Open } from './open.ts';
import { siteId, twoConductors } from './site-schema.ts';
import type { Swap } from './swap.ts';

/** What a circuit file holds of it; a function, so that an engine in a browser takes no schema along. */
export const bondSchema = () =>
  z.strictObject({
    kind: z.literal('bond'),
    conductors: twoConductors,
    at: siteId,
    side: z.enum(['load', 'line']).optional(),
  });
type Bond = z.output<ReturnType<typeof bondSchema>>;
/** A jumper stands for a ground that is not there, at times where hot and neutral are exchanged. */
type Made = Bond | Open | Swap;

/** Odds at one site against its being sound. */
const odds = {
  // A false ground to pass inspection: three-slot receptacles put on wiring without one.
  jumper: 0.004,
  // A false ground at a box whose hot and neutral are exchanged.
  'reversed-jumper': 0.002,
  // A false ground taken from what was believed to be the neutral.
  'hot-jumper': 0.0016,
  // A bare ground that touches the neutral screw, or a jumper left in.
  'jumper-with-ground': 0.0025,
  // A breaker opens at once.
  short: 1e-6,
};
type Prior = keyof typeof odds;

const toGround = (conductor: Conductor, at: string): Bond => ({
  kind: 'bond',
  conductors: [conductor, 'ground'],
  at,
});

/** The ways in which a ground that should arrive fails to, with the share of each; one that never does needs none. */
function withoutGround({ at, groundArrives, onlyCable }: Box): readonly (readonly Made[])[] {
  if (!groundArrives) return [[]];
  const atBox: readonly Made[] = [{ kind: 'open', conductor: 'ground', at }];
  return onlyCable === null ? [atBox] : [atBox, [{ kind: 'open', conductor: 'ground', cable: onlyCable }]];
}

function inBox(box: Box): readonly Suspicion<Prior, Made>[] {
  const { at, groundArrives } = box;
  const reversed: Made = { kind: 'swap', conductors: ['hot', 'neutral'], at };
  const ways = withoutGround(box);
  // A jumper stands where the ground fails to arrive: more often at its own box than for want of the cable's.
  const jumpers = ways.flatMap((missing, index): readonly Suspicion<Prior, Made>[] => {
    const share = ways.length === 1 ? 1 : index === 0 ? 0.75 : 0.25;
    return [
      { prior: 'jumper', faults: [...missing, toGround('neutral', at)], share },
      { prior: 'hot-jumper', faults: [...missing, toGround('hot', at)], share },
      { prior: 'reversed-jumper', faults: [...missing, reversed, toGround('neutral', at)], share },
    ];
  });
  const besideGround: readonly Suspicion<Prior, Made>[] = [
    { prior: 'jumper-with-ground', faults: [toGround('neutral', at)] },
    { prior: 'short', faults: [toGround('hot', at)] },
  ];
  return [
    ...jumpers,
    ...(groundArrives ? besideGround : []),
    { prior: 'short', faults: [{ kind: 'bond', conductors: ['hot', 'neutral'], at }] },
  ];
}

/** A jumper on the line side of a device shows otherwise than one behind it. */
function atDevice({ at, groundArrives, cable }: Box): readonly Suspicion<Prior, Made>[] {
  const onLineSide: Made = { ...toGround('neutral', at), side: 'line' };
  const alone: Suspicion<Prior, Made> = {
    prior: groundArrives ? 'jumper-with-ground' : 'jumper',
    faults: [onLineSide],
  };
  if (!groundArrives || cable === null) return [alone];
  return [alone, { prior: 'jumper', faults: [{ kind: 'open', conductor: 'ground', cable }, onLineSide] }];
}

/** Two conductors joined in a box: a jumper, a touch, a short. */
export const bond: FaultKind<Bond, Prior, Made> & { readonly odds: typeof odds } = {
  within: 'jumper',
  isSameSpot: (a, b) =>
    (a.side ?? 'load') === (b.side ?? 'load') &&
    a.conductors[0] === b.conductors[0] &&
    a.conductors[1] === b.conductors[1],
  nearerPanel: 0,
  odds,
  joined({ conductors: [a, b], side }, { splice, contact }, leg) {
    return side === 'line' ? [splice[wireOf(a, leg)], splice[wireOf(b, leg)]] : [contact[a], contact[b]];
  },
  // What it carries past a device, loads decide.
  hangsOnLoads: (_, hasDevices) => hasDevices,
  inBox,
  atDevice,
};
