import { z } from 'zod';
import { type Pair, pairs } from './contacts.ts';

export const lampColours = ['amber', 'red', 'green', 'white', 'blue'] as const;
export type LampColour = (typeof lampColours)[number];

/** One lamp of a plug-in tester, in the order in which the user sees them. */
export const testerLampSchema = z.strictObject({ pair: z.enum(pairs), colour: z.enum(lampColours) });
export type TesterLamp = Readonly<z.infer<typeof testerLampSchema>>;

/** Three lamps, each bridging another pair. */
export const testerLayoutSchema = z
  .tuple([testerLampSchema, testerLampSchema, testerLampSchema])
  .refine((lamps) => new Set(lamps.map((lamp) => lamp.pair)).size === pairs.length, {
    message: 'each-pair-once',
  });
export type TesterLayout = Readonly<z.infer<typeof testerLayoutSchema>>;

export type PairOrder = readonly [Pair, Pair, Pair];

/** Which of the three lamps are lit, in the order in which the user sees them. */
export type ShownLamps = readonly [boolean, boolean, boolean];

export type LayoutProblem =
  | { readonly code: 'correct-needs-two-lit'; readonly lit: number }
  | { readonly code: 'open-ground-needs-one-lit'; readonly lit: number }
  | { readonly code: 'open-ground-lamp-dark-in-correct' };

export type LayoutResult =
  | { readonly kind: 'order'; readonly order: PairOrder }
  | { readonly kind: 'problem'; readonly problem: LayoutProblem };

/**
 * The order of the pairs on a tester, from two patterns as it shows them. "Correct" lights hot–neutral and
 * hot–ground, "open ground" hot–neutral alone: so the lamp lit in both is hot–neutral, the one lit only in
 * the first is hot–ground, the one dark in both is neutral–ground. Any other two patterns are a problem.
 */
export function pairOrder(correct: ShownLamps, openGround: ShownLamps): LayoutResult {
  const litIn = (shown: ShownLamps): number => shown.filter(Boolean).length;
  const problem = (found: LayoutProblem): LayoutResult => ({ kind: 'problem', problem: found });
  if (litIn(correct) !== 2) return problem({ code: 'correct-needs-two-lit', lit: litIn(correct) });
  if (litIn(openGround) !== 1) return problem({ code: 'open-ground-needs-one-lit', lit: litIn(openGround) });
  if (openGround.some((lit, index) => lit && !correct[index]))
    return problem({ code: 'open-ground-lamp-dark-in-correct' });
  const pairAt = (index: 0 | 1 | 2): Pair => {
    if (openGround[index]) return 'hn';
    return correct[index] ? 'hg' : 'ng';
  };
  return { kind: 'order', order: [pairAt(0), pairAt(1), pairAt(2)] };
}
