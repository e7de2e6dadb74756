import type { JobStatement } from './entry.ts';
import { type House, whereIs } from './house.ts';

type Fields<K extends JobStatement['kind']> = Partial<Omit<Extract<JobStatement, { kind: K }>, 'kind'>>;

/** How a receptacle is described. */
export type ReceptacleFields = Omit<Fields<'receptacle-described'>, 'receptacle'>;

/** Describes a receptacle anew; what is not said, its room and its name, stays as the house has it. */
export function receptacleRedescribed(
  house: House,
  receptacle: string,
  fields: ReceptacleFields,
): readonly JobStatement[] {
  const at = whereIs(house, receptacle);
  if (at === null) return [];
  const { room, receptacle: known } = at;
  return [{ kind: 'receptacle-described', receptacle, room: room.id, name: known.name, ...fields }];
}

/** Describes a room anew; what is not said, its name, stays as the house has it. */
export function roomRedescribed(
  house: House,
  room: string,
  fields: Omit<Fields<'room-described'>, 'room'>,
): readonly JobStatement[] {
  const known = house.rooms.find(({ id }) => id === room);
  return known === undefined ? [] : [{ kind: 'room-described', room, name: known.name, ...fields }];
}
