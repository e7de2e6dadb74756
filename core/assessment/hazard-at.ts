import { type HazardId, hazardOf, type LostServiceNeutral } from '../engine/index.ts';
import type { InstrumentId } from '../instruments/index.ts';
import { countsAsAluminum, defectFacts } from '../knowledge/index.ts';
import type { House, Receptacle } from '../log/index.ts';
import { readingsOf } from './circuits.ts';
import type { JudgedReceptacle } from './judged.ts';

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
}

/** Those on its breaker, itself among them. */
function together({ receptacles }: Known, here: Place): readonly Place[] {
  const { breaker } = here.receptacle;
  if (breaker === null) return [here];
  return [...receptacles.values()].filter((one) => one.receptacle.breaker === breaker);
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

/** Why an instrument is not used at a receptacle as things stand there; null where nothing speaks against it. */
export function hazardAt(known: Known, id: string, instrument: InstrumentId): HazardId | null {
  const here = known.receptacles.get(id);
  if (here === undefined) return null;
  const circuit = together(known, here);
  const readings = circuit.flatMap(({ receptacle }) => readingsOf(receptacle));
  // Nothing was judged yet: what was read decides alone.
  const opinion = here.judged === null ? unjudged(id) : opinionOf(here.judged);
  return hazardOf(instrument, {
    opinion,
    circuit: circuit.flatMap(({ judged }) => (judged === null ? [] : [opinionOf(judged)])),
    readings,
    seen: circuit.some(({ receptacle }) => isSeenAt(receptacle)),
    keepsPower: known.house.keepPowered.length > 0,
    serviceNeutralLost: known.serviceNeutral !== null,
    doubted: new Set(
      circuit
        .flatMap(({ judged }) => judged?.explanations[0]?.instruments ?? [])
        .map((one) => one.instrument),
    ),
  });
}

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
