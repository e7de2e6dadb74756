import { type Circuit, runOf } from '../circuit/index.ts';
import type { ReadingComparison } from '../engine/index.ts';
import { instruments, type Reading, type Shown, scaled, type TestState } from '../instruments/index.ts';
import { type House, isPlainLamps, type Receptacle, receptaclesOf } from '../log/index.ts';

/** Receptacles of one breaker, from the panel outward as far as that is known. */
export interface FedTogether {
  readonly breaker: string;
  readonly receptacles: readonly Receptacle[];
}

/** Those with a place come first, in its order; the rest follow in the order of the walk. */
export function circuitsOf(house: House): readonly FedTogether[] {
  const byBreaker = new Map<string, Receptacle[]>();
  for (const receptacle of receptaclesOf(house))
    if (receptacle.breaker !== null)
      byBreaker.set(receptacle.breaker, [...(byBreaker.get(receptacle.breaker) ?? []), receptacle]);
  const byPlace = (a: Receptacle, b: Receptacle): number =>
    (a.place ?? Number.POSITIVE_INFINITY) - (b.place ?? Number.POSITIVE_INFINITY) || 0;
  return [...byBreaker].map(([breaker, fed]) => ({
    breaker,
    receptacles: fed.toSorted((a, b) => (a.place === b.place ? 0 : byPlace(a, b))),
  }));
}

/** Guessed where nobody measured: so far from the panel to the first receptacle, and from one to the next. */
const guessedMeters = { first: 15, next: 4 } as const;

/** The circuit that a breaker's receptacles are taken to form: one run, in their order, with a ground unless readings tell. */
export const guessedCircuit = ({ receptacles }: FedTogether): Circuit =>
  runOf(
    receptacles.map(({ id }) => id),
    { meters: guessedMeters, cableName: (id) => `to ${id}` },
  );

const stateKey = (state: TestState | undefined): string =>
  `${state?.loadsOff === true}:${state?.breakerOff === true}`;

const known = new WeakMap<Receptacle, readonly Reading[]>();

/** All that counts at a receptacle: of each instrument in each state, what it showed last, pair by pair. */
export function readingsOf(receptacle: Receptacle): readonly Reading[] {
  const readings = known.get(receptacle) ?? latestOf(receptacle);
  known.set(receptacle, readings);
  return readings;
}

/** What an earlier reading shows beside a later one of the same instrument: pairs that were not measured again. */
function withoutPairsOf(earlier: Shown, later: Shown): readonly Shown[] {
  const isSaid = (shown: Shown, name: string): boolean =>
    (shown as Readonly<Record<string, unknown>>)[name] !== undefined;
  const names = Object.keys(instruments[earlier.instrument].reads?.fields ?? {});
  const left = names.filter((name) => isSaid(earlier, name) && !isSaid(later, name));
  if (left.length === 0) return [];
  const gone = names.filter((name) => !left.includes(name));
  return [Object.fromEntries(Object.entries(earlier).filter(([name]) => !gone.includes(name))) as Shown];
}

function latestOf(receptacle: Receptacle): readonly Reading[] {
  const at = receptacle.id;
  const latest = new Map<string, readonly Shown[]>();
  // Plain lamps first: what they show is what all else is held against.
  const plain = receptacle.readings.find(isPlainLamps);
  if (plain !== undefined) latest.set(`lamps:${stateKey(undefined)}`, [plain.shown]);
  for (const { shown } of receptacle.readings) {
    const key = `${shown.instrument}:${stateKey(shown.state)}`;
    const before = (latest.get(key) ?? []).flatMap((one) => withoutPairsOf(one, shown));
    latest.set(key, [...before, shown]);
  }
  return [...latest.values()].flat().map((shown) => ({ at, ...shown }) as Reading);
}

/** The engine reasons at this voltage; what is read at another is scaled to it, as every conductance scales alike. */
const engineVolts = 120;

/** Readings as the engine takes them, and its comparisons as they are shown. */
export class VoltScale {
  private readonly factor: number;
  private readonly originals = new Map<Reading, Reading>();

  constructor(nominalVolts: number) {
    this.factor = engineVolts / nominalVolts;
  }

  toEngine(readings: readonly Reading[]): readonly Reading[] {
    if (this.factor === 1) return readings;
    return readings.map((reading) => {
      const asTaken = scaled(reading, this.factor);
      this.originals.set(asTaken, reading);
      return asTaken;
    });
  }

  toShown(table: readonly ReadingComparison[]): readonly ReadingComparison[] {
    if (this.factor === 1) return table;
    return table.map(({ reading, predicted, ...rest }) => ({
      ...rest,
      reading: this.originals.get(reading) ?? scaled(reading, 1 / this.factor),
      predicted: scaled(predicted, 1 / this.factor),
    }));
  }
}
