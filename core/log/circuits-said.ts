import type { Conductor } from '../physics/names.ts';

/** What was said of the circuit of a breaker; what nobody spoke of is left out. */
export interface CircuitSaid {
  readonly breaker: string;
  /** Its two ends meet at the panel. */
  readonly ring?: boolean;
  /** The last receptacle along it; null: not known after all. */
  readonly end?: string | null;
  /** The breaker on the other leg with which it shares its neutral; null: it shares it with none. */
  readonly sharesWith?: string | null;
}

/** Something that may be wrong, as it is seen behind a cover. */
export interface SeenFault {
  readonly kind: 'open' | 'swap' | 'bond' | 'resistance';
  readonly conductors: readonly Conductor[];
  /** The receptacle at which the cable arrives that it is in; left out where it is at terminals. */
  readonly cableTo?: string | undefined;
  /** The receptacle at whose terminals it is. */
  readonly at?: string | undefined;
}

/** Where the box is that no receptacle has. */
export const panelBox = 'panel';

/** A box was opened, and something was found in it or not. */
export interface BehindCover {
  readonly breaker: string;
  /** A receptacle, or the panel. */
  readonly box: string;
  readonly faults: readonly SeenFault[];
  readonly found: boolean;
  readonly at: string;
}

/** Receptacles that seem to have something in common, and have not. */
export type Apart = readonly string[];

/** What a house has of it. */
export interface OfCircuits {
  /** How circuits are wired, breaker by breaker; left out where nobody spoke of it. */
  readonly circuits?: readonly CircuitSaid[];
  /** What was found behind covers, and what was not; left out where none was opened for it. */
  readonly behindCovers?: readonly BehindCover[];
  /** Receptacles of which somebody said that they have nothing in common; left out where nobody did. */
  readonly apart?: readonly Apart[];
}
type WithCircuits = { -readonly [K in keyof OfCircuits]: OfCircuits[K] };

export function withCircuit(
  job: WithCircuits,
  breaker: string,
  change: (before: CircuitSaid) => CircuitSaid,
): void {
  const all = job.circuits ?? [];
  const before = all.find((one) => one.breaker === breaker);
  job.circuits =
    before === undefined
      ? [...all, change({ breaker })]
      : all.map((one) => (one === before ? change(one) : one));
}

const faultKey = ({ kind, conductors, cableTo = '', at = '' }: SeenFault): string =>
  [kind, ...conductors, cableTo, at].join(' ');

/** Names what was looked for in a box, whatever came of it. */
const lookKey = ({ box, faults }: Pick<BehindCover, 'box' | 'faults'>): string =>
  [box, ...faults.map(faultKey).sort()].join(',');

/** What was seen of the same thing in the same box before counts no longer. */
export function withBehindCover(job: WithCircuits, seen: BehindCover, counts: boolean): void {
  const key = lookKey(seen);
  const others = (job.behindCovers ?? []).filter((one) => lookKey(one) !== key);
  job.behindCovers = counts ? [...others, seen] : others;
}

/** What is said of a breaker's circuit. */
export const circuitSaid = ({ circuits = [] }: OfCircuits, breaker: string): CircuitSaid =>
  circuits.find((one) => one.breaker === breaker) ?? { breaker };

/** The breaker with which one shares its neutral, whichever of the two it was said of; null: with none; undefined: not known. */
export function sharedWith(house: OfCircuits, breaker: string): string | null | undefined {
  const { sharesWith } = circuitSaid(house, breaker);
  if (sharesWith !== undefined && sharesWith !== null) return sharesWith;
  const other = (house.circuits ?? []).find((one) => one.sharesWith === breaker);
  return other?.breaker ?? sharesWith;
}

/** The same with receptacles under the ids that they have by now. */
export function circuitsRenamed(
  { circuits, behindCovers, apart }: OfCircuits,
  meant: (id: string) => string,
): OfCircuits {
  const faultRenamed = ({ cableTo, at, ...fault }: SeenFault): SeenFault => ({
    ...fault,
    ...(cableTo === undefined ? {} : { cableTo: meant(cableTo) }),
    ...(at === undefined ? {} : { at: meant(at) }),
  });
  return {
    ...(circuits === undefined
      ? {}
      : {
          circuits: circuits.map((one) =>
            one.end === undefined || one.end === null ? one : { ...one, end: meant(one.end) },
          ),
        }),
    ...(behindCovers === undefined
      ? {}
      : {
          behindCovers: behindCovers.map((one) => ({
            ...one,
            box: one.box === panelBox ? one.box : meant(one.box),
            faults: one.faults.map(faultRenamed),
          })),
        }),
    ...(apart === undefined ? {} : { apart: apart.map((ids) => [...new Set(ids.map(meant))]) }),
  };
}
