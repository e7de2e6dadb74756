import { forbids, type HazardId, hasBadSplice, hazardOf, type LostServiceNeutral } from '../engine/index.ts';
import type { InstrumentId, Reading } from '../instruments/index.ts';
import { countsAsAluminum, defectFacts } from '../knowledge/index.ts';
import { type House, type Receptacle, sharedWith } from '../log/index.ts';
import { readingsOf } from './circuits.ts';
import type { JudgedCircuit, JudgedReceptacle } from './judged.ts';

/** Scorch, heat, water or aluminum there, on the way of whatever is loaded on its circuit. */
const isSeenAt = ({ looks, coverOff }: Receptacle): boolean =>
  looks.some((look) => defectFacts[look].danger !== null) ||
  (coverOff?.metal !== undefined && countsAsAluminum(coverOff.metal));

interface Place {
  readonly receptacle: Receptacle;
  readonly judged: JudgedReceptacle | null;
}

/** What is known where a test is to be made; the part of an assessment that bears on it. */
interface Known {
  readonly house: House;
  readonly receptacles: ReadonlyMap<string, Place>;
  readonly serviceNeutral: LostServiceNeutral | null;
  readonly circuits: readonly JudgedCircuit[];
}

const opinionOf = ({
  id,
  condition,
  probability,
  notRuledOut,
  ifMisread,
  doubts,
  contacts,
}: JudgedReceptacle) => ({
  id,
  condition,
  probability,
  notRuledOut,
  ifMisread,
  doubts,
  contacts: [contacts.hot, contacts.neutral, contacts.ground] as const,
});

/** What bears on every test of some receptacles that are fed together. */
interface Together {
  readonly opinions: readonly ReturnType<typeof opinionOf>[];
  readonly readings: readonly Reading[];
  readonly isSeen: boolean;
  readonly doubted: ReadonlySet<string>;
}

const togetherIn = (places: readonly Place[]): Together => ({
  opinions: places.flatMap(({ judged }) => (judged === null ? [] : [opinionOf(judged)])),
  readings: places.flatMap(({ receptacle }) => readingsOf(receptacle)),
  isSeen: places.some(({ receptacle }) => isSeenAt(receptacle)),
  doubted: new Set(
    places.flatMap(({ judged }) => judged?.explanations[0]?.instruments ?? []).map((one) => one.instrument),
  ),
});

/** What is known of one receptacle by itself; most of a house is as it was when it is asked about again. */
const alone = new WeakMap<Place, Together>();

/** What speaks against tests in a house as it stands. */
export class Hazards {
  private readonly known: Known;
  private readonly byBreaker = new Map<string, Place[]>();
  private readonly circuits = new Map<string, JudgedCircuit>();
  private readonly together = new Map<string, Together>();

  constructor(known: Known) {
    this.known = known;
    for (const place of known.receptacles.values()) {
      const { breaker } = place.receptacle;
      if (breaker === null) continue;
      const fed = this.byBreaker.get(breaker);
      if (fed === undefined) this.byBreaker.set(breaker, [place]);
      else fed.push(place);
    }
    for (const circuit of known.circuits)
      for (const breaker of circuit.breakers)
        if (!this.circuits.has(breaker)) this.circuits.set(breaker, circuit);
  }

  /** All on a breaker, and on the one with which it shares its neutral. */
  private fedBy(breaker: string): readonly Place[] {
    const other = sharedWith(this.known.house, breaker);
    const own = this.byBreaker.get(breaker) ?? [];
    return typeof other === 'string' ? [...own, ...(this.byBreaker.get(other) ?? [])] : own;
  }

  private fedWith(here: Place): Together {
    const { breaker } = here.receptacle;
    if (breaker === null) {
      const known = alone.get(here) ?? togetherIn([here]);
      alone.set(here, known);
      return known;
    }
    const known = this.together.get(breaker) ?? togetherIn(this.fedBy(breaker));
    this.together.set(breaker, known);
    return known;
  }

  /** Why an instrument is not used at a receptacle, or how it is; null where nothing is to be said. */
  at(id: string, instrument: InstrumentId): HazardId | null {
    const { receptacles, house, serviceNeutral } = this.known;
    const here = receptacles.get(id);
    if (here === undefined) return null;
    const fed = this.fedWith(here);
    const { breaker } = here.receptacle;
    const circuit = breaker === null ? undefined : this.circuits.get(breaker);
    return hazardOf(instrument, {
      // Nothing was judged yet: what was read decides alone.
      opinion: here.judged === null ? unjudged(id) : opinionOf(here.judged),
      circuit: fed.opinions,
      readings: fed.readings,
      badSpliceHeld: [circuit, here.judged].some((one) => hasBadSplice(one?.explanations[0]?.faults ?? [])),
      seen: fed.isSeen,
      keepsPower: house.keepPowered.length > 0,
      serviceNeutralLost: serviceNeutral !== null,
      doubted: fed.doubted,
    });
  }
}

/** Why an instrument is not used at a receptacle as things stand there, or how it is; null where nothing is to be said. */
export const hazardAt = (known: Known, id: string, instrument: InstrumentId): HazardId | null =>
  new Hazards(known).at(id, instrument);

/** Whether an instrument may be used at a receptacle as things stand there, in whatever way. */
export const mayBeUsed = (known: Known, id: string, instrument: InstrumentId): boolean =>
  !forbids(hazardAt(known, id, instrument));

const unjudged = (id: string) =>
  ({
    id,
    condition: 'undetermined',
    probability: 0,
    notRuledOut: [],
    ifMisread: [],
    doubts: [],
    contacts: ['may-be-live', 'may-be-live', 'may-be-live'],
  }) as const;
