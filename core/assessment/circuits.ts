import { type Circuit, runOf } from '../circuit/index.ts';
import type { ReadingComparison } from '../engine/index.ts';
import { instruments, type Reading, type Shown, scaled, type TestState } from '../instruments/index.ts';
import type { ConductorMetal, LegLayout } from '../knowledge/index.ts';
import {
  circuitSaid,
  type House,
  isPlainLamps,
  legsOf,
  panelsOf,
  type Receptacle,
  receptaclesOf,
  sharedWith,
} from '../log/index.ts';
import { type Metal, panel } from '../physics/index.ts';

/** Receptacles of one breaker, or of two that share a neutral, from the panel outward as far as that is known. */
export interface FedTogether {
  /** Names the circuit: of two, the one that was met first. */
  readonly breaker: string;
  readonly breakers: readonly string[];
  readonly receptacles: readonly Receptacle[];
  /** Its two ends meet at the panel. */
  readonly isRing: boolean;
  /** Whether its neutral is shared with another breaker: true and false only where somebody said so. */
  readonly isShared: boolean | null;
  /** What its panel brings in; null where nobody said. */
  readonly legs: LegLayout | null;
  /** Of the conductors on its breaker, as the directory has them; null where it does not say. */
  readonly metal: Metal | null;
  readonly awg: number | null;
}

const byPlace = (a: Receptacle, b: Receptacle): number =>
  (a.place ?? Number.POSITIVE_INFINITY) - (b.place ?? Number.POSITIVE_INFINITY) || 0;

const metals: Readonly<Partial<Record<ConductorMetal, Metal>>> = {
  copper: 'copper',
  'tinned-copper': 'copper',
  aluminum: 'aluminum',
  'copper-clad': 'copper-clad-aluminum',
};

/** Those with a place come first, in its order; the rest follow in the order of the walk. */
export function circuitsOf(house: House): readonly FedTogether[] {
  const byBreaker = new Map<string, Receptacle[]>();
  for (const receptacle of receptaclesOf(house))
    if (receptacle.breaker !== null)
      byBreaker.set(receptacle.breaker, [...(byBreaker.get(receptacle.breaker) ?? []), receptacle]);
  const directory = new Map(
    panelsOf(house).flatMap(({ breakers }) => breakers.map((one) => [one.number, one] as const)),
  );
  const taken = new Set<string>();
  return [...byBreaker.keys()].flatMap((breaker): FedTogether[] => {
    if (taken.has(breaker)) return [];
    const other = sharedWith(house, breaker);
    const pair = typeof other === 'string' && byBreaker.has(other) && other !== breaker ? [other] : [];
    const breakers = [breaker, ...pair];
    for (const one of breakers) taken.add(one);
    const { metal, size } = directory.get(breaker) ?? {};
    return [
      {
        breaker,
        breakers,
        receptacles: breakers.flatMap((one) =>
          (byBreaker.get(one) ?? []).toSorted((a, b) => (a.place === b.place ? 0 : byPlace(a, b))),
        ),
        isRing: circuitSaid(house, breaker).ring === true,
        legs: legsOf(house, breaker),
        isShared: other === undefined ? null : pair.length > 0 ? true : other === null ? false : null,
        metal: (metal === undefined ? undefined : metals[metal]) ?? null,
        awg: Number(size) > 0 ? Number(size) : null,
      },
    ];
  });
}

/** Guessed where nobody measured: so far from the panel to the first receptacle, and from one to the next. */
const guessedMeters = { first: 15, next: 4 } as const;

/** Names the cable that arrives at a receptacle. */
export const cableTo = (receptacle: string): string => `to ${receptacle}`;
/** And the one that closes a ring. */
const closing = 'back';

/**
 * The circuit that a breaker's receptacles are taken to form: one run in their order, but for what was said of branches
 * and rings, with a ground unless readings tell. Two breakers that share a neutral part behind the first receptacle.
 */
export function guessedCircuit({ breakers, receptacles, isRing, legs, metal, awg }: FedTogether): Circuit {
  const ids = new Set(receptacles.map(({ id }) => id));
  const run = {
    ...runOf([...ids], {
      meters: guessedMeters,
      cableName: cableTo,
      legs: receptacles.map(({ breaker }) => (breaker === breakers[0] ? 'L1' : 'L2')),
    }),
    ...(legs === 'three-phase'
      ? { degreesApart: 120 as const }
      : legs === 'split'
        ? { degreesApart: 180 as const }
        : {}),
  };
  const [first] = receptacles;
  const cables = run.cables.map((cable, position): Circuit['cables'][number] => {
    const here = receptacles[position];
    const before = receptacles[position - 1];
    const fedFrom = isBefore(receptacles, here?.fedFrom, position) ? here?.fedFrom : undefined;
    const parts = before !== undefined && before.breaker !== here?.breaker ? first?.id : undefined;
    return {
      ...cable,
      from: fedFrom ?? parts ?? cable.from,
      metal: metal ?? cable.metal,
      awg: awg ?? cable.awg,
    };
  });
  const last = receptacles.at(-1);
  const back = cables.at(-1);
  const isClosed = isRing && breakers.length === 1 && receptacles.length > 1;
  if (!isClosed || last === undefined || back === undefined) return { ...run, cables };
  const closes = { ...back, id: closing, from: panel, to: last.id, meters: guessedMeters.first };
  return { ...run, cables: [...cables, closes] };
}

/** A branch leaves from a receptacle nearer the panel: so nothing is fed in a circle. */
const isBefore = (all: readonly Receptacle[], id: string | undefined, position: number): boolean =>
  id !== undefined && all.slice(0, position).some((one) => one.id === id);

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
