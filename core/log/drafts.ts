import type { Described, Done, Receptacle, Room } from './house.ts';
import type { HouseParts } from './house-parts.ts';
import type { KitState } from './kit.ts';

/** What is built up entry by entry; its lists are replaced, never changed. */
export type Draft<T> = { -readonly [K in keyof T]: T[K] };

/** An order of all rooms, or the move of one: behind another, or to the front. */
export type RoomOrder =
  | { readonly rooms: readonly string[] }
  | { readonly room: string; readonly after: string | null };

export type JobDraft = Draft<Described & Done> & { roomOrders: readonly RoomOrder[]; parts: HouseParts };

export type RoomDraft = Draft<Pick<Room, 'name' | 'expected' | 'door'>>;

export type ReceptacleDraft = Draft<Omit<Receptacle, 'mergedFrom'>> & {
  /** The room that it is in. */
  room: string | null;
  /** The receptacle that it was found to be the same as. */
  into: string | null;
};

export type KitDraft = Draft<KitState>;

/** A list with something on it, or not. */
export const withItem = <T>(list: readonly T[], item: T, isThere: boolean): readonly T[] =>
  list.includes(item) === isThere ? list : isThere ? [...list, item] : list.filter((one) => one !== item);

/** The same, in the order of a catalog. */
export const withItemOf = <T>(
  catalog: readonly T[],
  list: readonly T[],
  item: T,
  isThere: boolean,
): readonly T[] => {
  const after = withItem(list, item, isThere);
  return after === list ? list : catalog.filter((one) => after.includes(one));
};

/** The fields that were said. */
export const defined = <T extends object>(
  fields: T,
): { readonly [K in keyof T]?: Exclude<T[K], undefined> } =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as {
    readonly [K in keyof T]?: Exclude<T[K], undefined>;
  };
