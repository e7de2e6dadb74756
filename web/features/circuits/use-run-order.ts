import { type House, type JobStatement, receptaclesOf } from '@fair-plug/core/log';
import { useMemo } from 'react';
import { type Move, moved } from '@/components/sortable-list';
import type { Recorder } from '@/local/use-recorder';

/** Receptacles of a breaker that have a place along its run, from the panel outward. */
export const placedOn = (house: House, breaker: string) =>
  receptaclesOf(house)
    .filter((one) => one.breaker === breaker && one.place !== null)
    .sort((a, b) => (a.place ?? 0) - (b.place ?? 0));

const fed = (receptacle: string, breaker: string | null, place: number | null): JobStatement => ({
  kind: 'receptacle-fed',
  receptacle,
  breaker,
  place,
});

/** An order, as far as it differs from the one that stands. */
const ordered = (house: House, breaker: string, ids: readonly string[]): JobStatement[] => {
  const all = new Map(receptaclesOf(house).map((one) => [one.id, one]));
  return ids.flatMap((id, index) => {
    const before = all.get(id);
    return before?.breaker === breaker && before.place === index + 1 ? [] : [fed(id, breaker, index + 1)];
  });
};

export interface RunOrder {
  /** The next one along the run; what has a place on it keeps that. */
  readonly next: (receptacle: string) => void;
  /** The last one has no place any more; `isNew`: and is not on the breaker either. */
  readonly takeBack: (isNew: (receptacle: string) => boolean) => void;
  readonly beginAnew: () => void;
  readonly move: (move: Move) => void;
  /** All of them in an order that was worked out. */
  readonly take: (receptacles: readonly string[]) => void;
  /** The run ends with the last that has a place; or that is not known after all. */
  readonly end: (isEnd: boolean) => void;
}

/** Puts receptacles in order along a breaker's run, each press an entry made from the house as it stands by then. */
export const useRunOrder = (record: Recorder | null, breaker: string): RunOrder | null =>
  useMemo(() => {
    if (record === null || breaker === '') return null;
    return {
      next: (receptacle) =>
        record(({ house }) => {
          const placed = placedOn(house, breaker);
          if (placed.some(({ id }) => id === receptacle)) return [];
          return [fed(receptacle, breaker, (placed.at(-1)?.place ?? 0) + 1)];
        }),
      takeBack: (isNew) =>
        record(({ house }) => {
          const last = placedOn(house, breaker).at(-1);
          return last === undefined ? [] : [fed(last.id, isNew(last.id) ? null : breaker, null)];
        }),
      beginAnew: () =>
        record(({ house }) => placedOn(house, breaker).map(({ id }) => fed(id, breaker, null))),
      move: (move) =>
        record(({ house }) =>
          ordered(
            house,
            breaker,
            moved(
              placedOn(house, breaker).map(({ id }) => id),
              move,
            ),
          ),
        ),
      take: (receptacles) =>
        record(({ house }) => {
          const rest = placedOn(house, breaker)
            .map(({ id }) => id)
            .filter((id) => !receptacles.includes(id));
          return ordered(house, breaker, [...receptacles, ...rest]);
        }),
      end: (isEnd) =>
        record(({ house }) => {
          const last = placedOn(house, breaker).at(-1);
          return last === undefined && isEnd
            ? []
            : [{ kind: 'circuit-described', breaker, end: isEnd ? (last?.id ?? null) : null }];
        }),
    };
  }, [record, breaker]);
