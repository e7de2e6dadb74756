import type { Placed } from './fold-subjects.ts';
import { type House, type Receptacle, receptaclesOf } from './house.ts';

/** A name that nothing else has yet, from a number on; entered again, it is no longer than a name may be. */
function freeName(name: string, taken: ReadonlySet<string>, from: number): string {
  for (let number = from; ; number += 1) {
    const suffix = ` (${number})`;
    const free = `${name.trim().slice(0, 60 - suffix.length)}${suffix}`;
    if (!taken.has(keyOf(free))) return free;
  }
}

const keyOf = (name: string): string => name.trim().toLowerCase();

/**
 * Two people who walk the same room name their receptacles alike, and nobody could tell which of them a finding is of:
 * all but the first get a number. What it is renamed to stays the same object while nothing about it changes.
 */
export class NamesApart {
  private readonly renamed = new WeakMap<Receptacle, Receptacle>();

  /** The same receptacles in the same order, no two with the same name. */
  of<P extends { readonly state: Placed }>(places: readonly P[]): readonly P[] {
    const names = new Set(places.map(({ state }) => keyOf(state.receptacle.name)));
    if (names.size === places.length) return places;
    const met = new Map<string, number>();
    return places.map((place) => {
      const { receptacle } = place.state;
      const key = keyOf(receptacle.name);
      const number = (met.get(key) ?? 0) + 1;
      met.set(key, number);
      const named = number === 1 ? receptacle : this.as(receptacle, freeName(receptacle.name, names, number));
      names.add(keyOf(named.name));
      return named === receptacle ? place : { ...place, state: { ...place.state, receptacle: named } };
    });
  }

  private as(receptacle: Receptacle, name: string): Receptacle {
    const known = this.renamed.get(receptacle);
    if (known?.name === name) return known;
    const renamed = { ...receptacle, name };
    this.renamed.set(receptacle, renamed);
    return renamed;
  }
}

/** The receptacle that one was named like, and was told apart from; null where there is none. */
export function namesakeOf(house: House, { name }: Receptacle): Receptacle | null {
  const first = /^(.*) \(\d+\)$/.exec(name)?.[1];
  return first === undefined
    ? null
    : (receptaclesOf(house).find((one) => keyOf(one.name) === keyOf(first)) ?? null);
}
