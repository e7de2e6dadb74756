import { lampsOf } from '@fair-plug/core/instruments';
import { foldHouse, type House, type JobEntry, type JobStatement } from '@fair-plug/core/log';
import { describe, expect, test } from 'vitest';
import { nextPlace, standing, startOfWalk, stepInRoom, stepRoom } from './walk-order.ts';

/** A house from words: "den: x . x" is a room with three receptacles, the second not read. */
function houseOf(...rooms: string[]): House {
  const said = rooms.flatMap((line): JobStatement[] => {
    const [room = '', marks = ''] = line.split(':');
    return [
      { kind: 'room-described', room, name: room },
      ...marks
        .trim()
        .split(' ')
        .filter(Boolean)
        .flatMap((mark, index): JobStatement[] => {
          const receptacle = `${room}${index + 1}`;
          return [
            { kind: 'receptacle-described', receptacle, room, name: `${room} ${index + 1}` },
            ...(mark === 'x' ? [{ kind: 'lamps-read' as const, receptacle, lamps: lampsOf('hn-hg') }] : []),
            ...(mark === 'n'
              ? [{ kind: 'not-reached' as const, receptacle, reason: 'locked' as const }]
              : []),
          ];
        }),
    ];
  });
  const envelope = { device: 'd', author: 'a', at: '2026-05-04T09:30:00.000Z' };
  return foldHouse(said.map((one, index): JobEntry => ({ id: `e${1000 + index}`, ...envelope, ...one })));
}
const at = (room: string, receptacle: string | null) => ({ room, receptacle });

describe('the order of the walk', () => {
  test('it starts at the first receptacle not read', () => {
    expect(startOfWalk(houseOf('hall: x', 'den: x . .'))).toEqual(at('den', 'den2'));
  });

  test('a house whose rooms are empty starts with the first room’s first receptacle', () => {
    expect(startOfWalk(houseOf('hall:', 'den:'))).toEqual(at('hall', null));
    expect(startOfWalk(houseOf())).toBeNull();
  });

  test('it goes on to the next not read, round the room, then to the next room', () => {
    const house = houseOf('hall: .', 'den: . x .');
    expect(nextPlace(house, at('den', 'den1'))).toEqual(at('den', 'den3'));
    expect(nextPlace(house, at('den', 'den3'))).toEqual(at('den', 'den1'));
    expect(nextPlace(houseOf('hall: .', 'den: x x'), at('den', 'den2'))).toEqual(at('hall', 'hall1'));
  });

  test('with nothing left to read it offers the next place in the room', () => {
    expect(nextPlace(houseOf('den: x x'), at('den', 'den2'))).toEqual(at('den', null));
  });

  test('stepping stops at the ends of a room, rooms go round', () => {
    const house = houseOf('hall: x', 'den: x .');
    expect(stepInRoom(house, at('den', 'den1'), -1)).toEqual(at('den', 'den1'));
    expect(stepInRoom(house, at('den', 'den2'), 1)).toEqual(at('den', null));
    expect(stepInRoom(house, at('den', null), 1)).toEqual(at('den', null));
    expect(stepRoom(house, 'den', 1)).toEqual(at('hall', 'hall1'));
    expect(stepRoom(house, 'hall', -1)).toEqual(at('den', 'den2'));
  });

  test('when what is in hand was taken back, the room stays in hand', () => {
    const house = houseOf('den: x');
    expect(standing(house, at('den', 'den9'))).toEqual(at('den', null));
    expect(standing(house, at('gone', 'den1'))).toBeNull();
  });
});
