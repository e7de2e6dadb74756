import { type House, isPlainLamps, type Receptacle, type Room } from '../log/index.ts';

/** A receptacle with no more than it is judged by. */
function slim(receptacle: Receptacle): Receptacle {
  const { readings } = receptacle;
  const plain = readings.findLast(isPlainLamps);
  return {
    ...receptacle,
    // Of plain lamps the latest counts.
    readings: readings.filter((one) => one === plain || !isPlainLamps(one)),
    groundFaultTests: [],
    warnings: [],
    notes: [],
  };
}

/** A room, by its number alone where it was sent before. */
export interface SentRoom {
  readonly number: number;
  readonly room: Room | null;
}

/** A house with no more than it is judged by: what a worker is sent at every reading. */
export interface SentHouse extends Omit<House, 'rooms'> {
  /** Whose numbers the rooms have. */
  readonly sender: string;
  readonly rooms: readonly SentRoom[];
}

/** Sends a house again and again: what is the same object as before is not sent anew. */
export class HouseSender {
  private readonly name: string;
  private readonly numbers = new WeakMap<Room, number>();
  private count = 0;
  private last: ReadonlySet<number> = new Set();

  /** `name`: no other sender's. */
  constructor(name: string) {
    this.name = name;
  }

  /** `isWhole`: nothing of it is taken to be there. */
  sent(house: House, isWhole = false): SentHouse {
    const { last } = this;
    const rooms = house.rooms.map((room): SentRoom => {
      const number = this.numberOf(room);
      const isThere = !isWhole && last.has(number);
      return { number, room: isThere ? null : { ...room, receptacles: room.receptacles.map(slim) } };
    });
    this.last = new Set(rooms.map(({ number }) => number));
    return {
      ...house,
      sender: this.name,
      proofs: [],
      wentDead: [],
      findingEntries: [],
      signatures: [],
      rooms,
    };
  }

  private numberOf(room: Room): number {
    const known = this.numbers.get(room);
    if (known !== undefined) return known;
    this.count += 1;
    this.numbers.set(room, this.count);
    return this.count;
  }
}

/** Holds the rooms of the house that was received last. */
export class HouseReceiver {
  private rooms: ReadonlyMap<number, Room> = new Map();
  private sender = '';

  /** The house; null where one of its rooms is not here: it has to be sent whole. */
  received({ rooms, sender, ...house }: SentHouse): House | null {
    const known = sender === this.sender ? this.rooms : new Map<number, Room>();
    const here = rooms.flatMap(({ number, room }) => {
      const found = room ?? known.get(number);
      return found === undefined ? [] : [[number, found] as const];
    });
    if (here.length < rooms.length) return null;
    this.rooms = new Map(here);
    this.sender = sender;
    return { ...house, rooms: here.map(([, room]) => room) };
  }
}
