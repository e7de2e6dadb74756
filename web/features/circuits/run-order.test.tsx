import { foldHouse, type House, type JobStatement } from '@fair-plug/core/log';
import { renderHook, screen, within } from '@testing-library/react';
import { expect, test } from 'vitest';
import type { Recorder } from '@/local/use-recorder';
import { houseOf, showScreen } from '@/testing/screen';
import { CircuitsScreen } from './circuits-screen';
import { placedOn, useRunOrder } from './use-run-order';

const id = (n: number): string => `01900000-0000-7000-8000-${n.toString(16).padStart(12, '0')}`;
const den = [0x30, 0x31, 0x32].map(id);
const [r1 = '', r2 = '', r3 = ''] = den;

/** A house of three that grows by what is recorded on it, and the order of breaker 7. */
function ordering() {
  const said: JobStatement[] = [
    { kind: 'room-described', room: id(0x20), name: 'Den' },
    ...den.map(
      (receptacle, index): JobStatement => ({
        kind: 'receptacle-described',
        receptacle,
        room: id(0x20),
        name: `Den ${index + 1}`,
      }),
    ),
  ];
  const house = (): House =>
    foldHouse(
      said.map((one, index) => ({
        id: id(0x1000 + index),
        device: id(1),
        author: id(2),
        at: new Date(Date.UTC(2026, 4, 4, 9, 0, index)).toISOString(),
        ...one,
      })),
    );
  const record: Recorder = (...parts) => {
    for (const part of parts)
      said.push(...(typeof part === 'function' ? part({ house: house() } as never) : [part]));
  };
  const { result } = renderHook(() => useRunOrder(record, '7'));
  const order = result.current;
  if (order === null) throw new Error('nothing may be entered');
  return {
    order,
    house,
    entries: () => said.length,
    along: () => placedOn(house(), '7').map(({ name }) => name),
  };
}

test('one entry a tap; the last is taken back by one; a second tap on the same counts once', () => {
  const { order, along, entries, house } = ordering();
  const before = entries();
  for (const one of [r2, r1, r1, r3]) order.next(one);
  expect(entries() - before).toBe(3);
  expect(along()).toEqual(['Den 2', 'Den 1', 'Den 3']);
  order.takeBack((one) => one === r3);
  expect(along()).toEqual(['Den 2', 'Den 1']);
  expect(house().rooms[0]?.receptacles.find((one) => one.id === r3)?.breaker).toBeNull();
  expect(entries() - before).toBe(4);
});

test('dragged, or taken from the engine, only what changes its place is said again', () => {
  const { order, along, entries } = ordering();
  for (const one of den) order.next(one);
  const before = entries();
  order.move({ id: r3, over: r2, isDown: false });
  expect(along()).toEqual(['Den 1', 'Den 3', 'Den 2']);
  expect(entries() - before).toBe(2);
  order.take([r1, r2]);
  expect(along()).toEqual(['Den 1', 'Den 2', 'Den 3']);
  order.take([r1, r2, r3]);
  expect(entries() - before).toBe(4);
});

test('the run ends with its last, until that is taken back; begun anew, nothing has a place', () => {
  const { order, along, house } = ordering();
  order.end(true);
  expect(house().circuits).toBeUndefined();
  for (const one of den) order.next(one);
  order.end(true);
  expect(house().circuits).toEqual([{ breaker: '7', end: r3 }]);
  order.end(false);
  expect(house().circuits).toEqual([{ breaker: '7', end: null }]);
  order.beginAnew();
  expect(along()).toEqual([]);
});

test('nothing moves away under the finger: rooms stay where they are while a run is tapped together', async () => {
  const { statements } = houseOf({ Den: 2, Attic: 2 });
  const { user } = showScreen('/circuits', <CircuitsScreen />, { statements });
  await user.click(await screen.findByRole('radio', { name: 'Order' }));
  await user.type(screen.getByLabelText('Breaker whose run is put in order'), '8');
  const middle = within(screen.getByRole('region', { name: 'Circuit' }));
  const rooms = () => middle.getAllByRole('heading', { level: 4 }).map(({ textContent }) => textContent);
  expect(rooms()).toEqual(['Den', 'Attic']);
  await user.click(
    within(middle.getByRole('region', { name: 'Attic' })).getByRole('button', { name: /^Attic 1/ }),
  );
  await screen.findByRole('list', { name: 'Along the run of breaker 8' });
  expect(rooms()).toEqual(['Den', 'Attic']);
});
