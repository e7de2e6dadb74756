import { type Assessment, cableTo, circuitsOf, faultSeen } from '../assessment/index.ts';
import type { Lamps } from '../instruments/index.ts';
import { circuitSaid, panelsOf, receptaclesOf, sharedWith } from '../log/index.ts';
import type { ReportLanguage } from './report-texts.ts';

/** One receptacle along a circuit, and what is held of the way to it and of its box. */
export interface ReportedStop {
  readonly name: string;
  readonly lamps: Lamps | null;
  /** "open neutral (72 %)", on the way there; empty where nothing is held. */
  readonly before: string;
  /** At its own terminals. */
  readonly here: string;
  /** The receptacle at which its branch leaves the run; null where it is on the run itself. */
  readonly branchAt: string | null;
  /** Somebody said that the run ends here. */
  readonly isEnd: boolean;
}

/** A circuit as a strip, from the panel outward. */
export interface ReportedCircuit {
  readonly breakers: readonly string[];
  readonly feeds: string | null;
  readonly stops: readonly ReportedStop[];
  readonly isRing: boolean;
  /** The breaker with which it shares its neutral; null: with none; left out where nobody said. */
  readonly sharesWith?: string | null;
  /** What was found behind covers, and what was not. */
  readonly behindCovers: readonly string[];
}

/** Every circuit with more than one receptacle, with what is believed to be wrong in its place. */
export function reportedCircuits(
  { house, circuits, receptacles }: Assessment,
  words: ReportLanguage,
): readonly ReportedCircuit[] {
  const names = new Map(receptaclesOf(house).map(({ id, name }) => [id, name]));
  const nameOf = (id: string): string => names.get(id) ?? id;
  const feeds = new Map(
    panelsOf(house).flatMap(({ breakers }) =>
      breakers.map((one) => [one.number, one.feeds ?? null] as const),
    ),
  );
  const directory = [...feeds.keys()];
  const rank = ({ breaker }: { readonly breaker: string }): number => {
    const at = directory.indexOf(breaker);
    return at === -1 ? directory.length : at;
  };
  return circuitsOf(house)
    .filter((fed) => fed.receptacles.length > 1)
    .sort((a, b) => rank(a) - rank(b))
    .map((fed): ReportedCircuit => {
      const causes = circuits.find(({ breaker }) => breaker === fed.breaker)?.causes ?? [];
      const held = (isThere: (fault: (typeof causes)[number]['faults'][number]) => boolean): string =>
        causes
          .filter(({ faults }) => faults.some(isThere))
          .map(({ faults, probability }) => `${words.cause(faults)} (${words.share(probability)})`)
          .join('; ');
      const ends = new Set(fed.breakers.map((one) => circuitSaid(house, one).end));
      const shared = sharedWith(house, fed.breaker);
      return {
        breakers: fed.breakers,
        feeds: feeds.get(fed.breaker) ?? null,
        stops: fed.receptacles.map(({ id, name, fedFrom }) => ({
          name,
          lamps: receptacles.get(id)?.lamps ?? null,
          before: held((fault) => 'cable' in fault && fault.cable === cableTo(id)),
          here: held((fault) => fault.at === id),
          branchAt: fedFrom === undefined ? null : nameOf(fedFrom),
          isEnd: ends.has(id),
        })),
        isRing: fed.isRing,
        ...(shared === undefined ? {} : { sharesWith: shared }),
        behindCovers: (house.behindCovers ?? [])
          .filter(({ breaker }) => fed.breakers.includes(breaker))
          .map(({ box, found, faults }) =>
            [nameOf(box), words.behindCover(found, words.cause(faults.map(faultSeen)))].join(': '),
          ),
      };
    });
}
