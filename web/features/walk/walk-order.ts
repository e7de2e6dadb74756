import { type House, isTested, type NamedRoom, namedRooms, type Receptacle } from '@fair-plug/core/log';

/** What is current: a receptacle, or (null) the place for the next one of the room. */
export interface CurrentPlace {
  readonly room: string;
  readonly receptacle: string | null;
}

/** Neither read nor given a reason why not. */
const isUnread = (receptacle: Receptacle): boolean => !isTested(receptacle) && receptacle.notReached === null;

/** The place itself; its room's next place where the receptacle is gone; null where the room is gone. */
export function standing(house: House, place: CurrentPlace): CurrentPlace | null {
  const room = namedRooms(house).find((one) => one.id === place.room);
  if (room === undefined) return null;
  return room.receptacles.some((one) => one.id === place.receptacle)
    ? place
    : { room: room.id, receptacle: null };
}

/** Where a walk starts or is taken up: the first receptacle not read, else the last room's next place. */
export function startOfWalk(house: House): CurrentPlace | null {
  const rooms = namedRooms(house);
  for (const room of rooms) {
    const unread = room.receptacles.find(isUnread);
    if (unread) return { room: room.id, receptacle: unread.id };
  }
  const open = rooms.find((room) => room.receptacles.length === 0) ?? rooms.at(-1);
  return open === undefined ? null : { room: open.id, receptacle: null };
}

/**
 * Where the walk goes on. In a room whose receptacles are listed: the next one not read, then the next room
 * with one; where the current receptacle was added just now, or none is left anywhere: the place for the next.
 */
export function nextPlace(house: House, { room: roomId, receptacle }: CurrentPlace): CurrentPlace {
  const rooms = namedRooms(house);
  const index = rooms.findIndex((room) => room.id === roomId);
  const room = rooms[index];
  const place: CurrentPlace = { room: roomId, receptacle: null };
  if (room === undefined || receptacle === null) return place;
  const at = room.receptacles.findIndex((one) => one.id === receptacle);
  const inOrder = [...room.receptacles.slice(at + 1), ...room.receptacles.slice(0, at)];
  const unread = inOrder.find(isUnread);
  if (unread) return { room: roomId, receptacle: unread.id };
  for (const later of [...rooms.slice(index + 1), ...rooms.slice(0, index)]) {
    const first = later.receptacles.find(isUnread);
    if (first) return { room: later.id, receptacle: first.id };
  }
  return place;
}

/** One step back or forth through the room, the place for the next one last. */
export function stepInRoom(
  house: House,
  { room: roomId, receptacle }: CurrentPlace,
  step: 1 | -1,
): CurrentPlace {
  const room = namedRooms(house).find((one) => one.id === roomId);
  const places = [...(room?.receptacles.map((one) => one.id) ?? []), null];
  const at = places.indexOf(receptacle);
  const to = Math.min(places.length - 1, Math.max(0, at + step));
  return { room: roomId, receptacle: places[to] ?? null };
}

/** The next or previous room, at its first receptacle not read. */
export function stepRoom(house: House, roomId: string, step: 1 | -1): CurrentPlace | null {
  const rooms = namedRooms(house);
  const at = rooms.findIndex((room) => room.id === roomId);
  const room = rooms[(at + step + rooms.length) % rooms.length];
  return room === undefined ? null : enterRoom(room);
}

export function enterRoom(room: NamedRoom): CurrentPlace {
  const receptacle = room.receptacles.find(isUnread)?.id ?? room.receptacles[0]?.id ?? null;
  return { room: room.id, receptacle };
}
