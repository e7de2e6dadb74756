import { v7 } from 'uuid';
import { describe, expect, test } from 'vitest';
import { lampsOf } from '../instruments/index.ts';
import { HouseFold, type JobEntry, type JobStatement } from '../log/index.ts';
import { entry } from '../log/testing-entries.ts';
import { HouseReceiver, HouseSender } from './sent-house.ts';
import { fine, houseOf, judged, reversed } from './testing-houses.ts';

const [den, hall] = [v7(), v7()];
const receptacles = [v7(), v7(), v7()];
const described: readonly JobStatement[] = [
  { kind: 'room-described', room: den, name: 'Den' },
  { kind: 'room-described', room: hall, name: 'Hall' },
  ...receptacles.map((receptacle, index): JobStatement => {
    const room = index < 2 ? den : hall;
    return { kind: 'receptacle-described', receptacle, room, name: `Place ${index + 1}` };
  }),
];
const read = (index: number): JobEntry =>
  entry({ kind: 'lamps-read', receptacle: receptacles[index] ?? '', lamps: lampsOf('hn-ng') });

describe('a house that is sent', () => {
  test('is judged the same by no more than it is judged by', () => {
    const house = houseOf([fine('1'), reversed('1'), { shows: 'hg-ng' }]);
    const received = new HouseReceiver().received(structuredClone(new HouseSender(v7()).sent(house)));
    expect(received === null ? null : judged(received).judgement).toEqual(judged(house).judgement);
  });

  test('again, is sent without the rooms that are as before, and arrives whole', () => {
    const [sender, receiver] = [new HouseSender(v7()), new HouseReceiver()];
    const fold = new HouseFold().add(described.map((one) => entry(one)));
    const before = receiver.received(structuredClone(sender.sent(fold.house)));
    const sent = sender.sent(fold.add([read(0)]).house);
    expect(sent.rooms.map(({ room }) => room?.name ?? null)).toEqual(['Den', null]);
    const after = receiver.received(structuredClone(sent));
    expect(after).toEqual(new HouseReceiver().received(new HouseSender(v7()).sent(fold.house)));
    expect(after?.rooms[1]).toBe(before?.rooms[1]);
    expect(after?.rooms[0]).not.toEqual(before?.rooms[0]);
  });

  test('to one who was sent nothing of it before, is asked for whole', () => {
    const sender = new HouseSender(v7());
    const { house } = new HouseFold().add([...described.map((one) => entry(one)), read(2)]);
    sender.sent(house);
    const receiver = new HouseReceiver();
    expect(receiver.received(sender.sent(house))).toBeNull();
    expect(receiver.received(sender.sent(house, true))?.rooms).toHaveLength(2);
    expect(receiver.received(sender.sent(house))?.rooms).toHaveLength(2);
  });

  test('after another house, holds nothing of that one', () => {
    const [sender, receiver] = [new HouseSender(v7()), new HouseReceiver()];
    const one = new HouseFold().add(described.map((one) => entry(one))).house;
    const other = new HouseFold().add([...described.map((one) => entry(one)), read(1)]).house;
    for (const house of [one, other, one])
      expect(receiver.received(sender.sent(house))?.rooms[0]?.receptacles[1]?.readings).toHaveLength(
        house === one ? 0 : 1,
      );
  });
});
