import type { WiredFault } from '../physics/index.ts';
import { bond } from './bond.ts';
import type { Fault } from './fault-schema.ts';
import type { FaultKind, Suspicion } from './kind.ts';
import { open } from './open.ts';
import { resistance } from './resistance.ts';
import { swap } from './swap.ts';

export { type Fault, faultSchema } from './fault-schema.ts';
export type { Box, Suspicion, Where } from './kind.ts';
export { firstOhms } from './resistance.ts';

/** Every kind of fault that is known: a file and a line each. */
const kinds = { open, swap, bond, resistance } as const satisfies Readonly<Record<Fault['kind'], object>>;

type Kinds = typeof kinds;
export type FaultPrior = { [K in keyof Kinds]: keyof Kinds[K]['odds'] }[keyof Kinds];

type AnyKind = FaultKind<WiredFault, FaultPrior, Fault>;

/** The kinds by their names, for the physics and for whoever asks about any fault. */
export const faultKinds: Readonly<Record<Fault['kind'], AnyKind>> = kinds;

/** Odds of every cause at one site against its being sound, by common practice. */
export const faultOdds = Object.assign({}, ...Object.values(kinds).map(({ odds }) => odds)) as Readonly<
  Record<FaultPrior, number>
>;

/** Everything of every kind that may be wrong in one place, kind by kind. */
export const suspicions = (
  of: (kind: AnyKind) => readonly Suspicion<FaultPrior, Fault>[] | undefined,
): readonly Suspicion<FaultPrior, Fault>[] => Object.values(faultKinds).flatMap((kind) => of(kind) ?? []);

type Fitted = Extract<Fault, { ohms: number }>;

/** True where a fault has ohms, which readings tell better than a supposition does. */
export const hasOhms = (fault: Fault): fault is Fitted => 'ohms' in fault;

/** A fault with other ohms, where it has any. */
export const withOhms = (fault: Fault, ohmsOf: (before: number) => number): Fault =>
  hasOhms(fault) ? { ...fault, ohms: ohmsOf(fault.ohms) } : fault;

/** True where two faults are in the same thing of one site: they cannot be told apart, or contradict each other. */
export function isSameSpot(a: Fault, b: Fault): boolean {
  const kind = faultKinds[a.kind];
  return (
    kind.within === faultKinds[b.kind].within &&
    cableOf(a) === cableOf(b) &&
    a.at === b.at &&
    kind.isSameSpot(a, b)
  );
}

/** The cable that a fault is in; none where it is in a box. */
export const cableOf = (fault: WiredFault): string | undefined => fault.cable;
