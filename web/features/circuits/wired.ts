import {
  type Assessment,
  cableTo,
  circuitsOf,
  type FedTogether,
  guessedCircuit,
  type JudgedCircuit,
  type Suspect,
} from '@fair-plug/core/assessment';
import type { Cable } from '@fair-plug/core/circuit';
import { type BreakerPosition, type House, panelsOf, receptaclesOf } from '@fair-plug/core/log';

/** A breaker's circuit as it is drawn and listed: as it is wired, and what the engine makes of it. */
export interface WiredCircuit extends FedTogether {
  /** What the directory says of its breaker; null where that does not name it. */
  readonly position: BreakerPosition | null;
  readonly cables: readonly Cable[];
  /** null while it was not judged: one receptacle alone is no circuit, and nothing read says nothing. */
  readonly judged: JudgedCircuit | null;
  readonly suspects: readonly Suspect[];
  /** Meters of the cable to a receptacle, by load tests; left out where they do not tell. */
  readonly meters: ReadonlyMap<string, number>;
}

/** "7", "7 and 9". */
export const breakerNames = ({ breakers }: Pick<FedTogether, 'breakers'>): string => breakers.join(' and ');

/** How far a receptacle's cable is, from those of the load tests of its circuit: the way from the one that feeds it. */
function metersOf(cables: readonly Cable[], judged: JudgedCircuit | null): ReadonlyMap<string, number> {
  const toPanel = new Map(judged?.lengths.map(({ at, meters }) => [at, meters]) ?? []);
  return new Map(
    cables.flatMap(({ from, to }) => {
      const [here, before] = [toPanel.get(to), from === 'panel' ? 0 : toPanel.get(from)];
      return here === undefined || before === undefined || here <= before ? [] : [[to, here - before]];
    }),
  );
}

/** Every circuit that has a receptacle, in the order of the directory. */
export function wiredCircuits({ house, circuits }: Assessment): readonly WiredCircuit[] {
  const judgedOf = new Map(circuits.map((one) => [one.breaker, one]));
  const directory = panelsOf(house).flatMap(({ breakers }) => breakers);
  const rank = (breaker: string): number => {
    const at = directory.findIndex(({ number }) => number === breaker);
    return at === -1 ? directory.length : at;
  };
  return circuitsOf(house)
    .map((fed): WiredCircuit => {
      const judged = judgedOf.get(fed.breaker) ?? null;
      const { cables } = guessedCircuit(fed);
      return {
        ...fed,
        position: directory.find(({ number }) => number === fed.breaker) ?? null,
        cables,
        judged,
        suspects: judged?.suspects ?? [],
        meters: metersOf(cables, judged),
      };
    })
    .sort((a, b) => rank(a.breaker) - rank(b.breaker));
}

/** Breakers of the directory on which nobody has put a receptacle. */
export const emptyBreakers = (
  house: House,
  circuits: readonly WiredCircuit[],
): readonly BreakerPosition[] => {
  const fed = new Set(circuits.flatMap(({ breakers }) => breakers));
  return panelsOf(house)
    .flatMap(({ breakers }) => breakers)
    .filter(({ number }) => number !== undefined && !fed.has(number));
};

/** Receptacles of no circuit: their own lane. */
export const unassigned = (house: House) => receptaclesOf(house).filter(({ breaker }) => breaker === null);

/** Faults in the cable that arrives at a receptacle, and at its terminals. */
export function suspectsBeside(suspects: readonly Suspect[], receptacle: string) {
  const cable = cableTo(receptacle);
  return {
    inCable: suspects.filter(({ fault }) => 'cable' in fault && fault.cable === cable),
    atTerminals: suspects.filter(({ fault }) => fault.at === receptacle),
  };
}
