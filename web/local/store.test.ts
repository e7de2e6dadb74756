import { v7 } from 'uuid';
import { expect, test } from 'vitest';
import { deviceId, keep, LocalDatabase } from './store.ts';

test('all that ask for this browser’s id at the same moment are told the same one', async () => {
  const store = new LocalDatabase('asked at once');
  const room = { kind: 'room-described', room: v7(), name: 'Den' } as const;
  const [first, entries, second] = await Promise.all([
    deviceId(store),
    keep(store, v7(), v7(), [room], true),
    deviceId(store),
  ]);
  expect(new Set([first, second, ...entries.map(({ device }) => device)]).size).toBe(1);
  expect(await deviceId(store)).toBe(first);
});
