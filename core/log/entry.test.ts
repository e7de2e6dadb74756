import { describe, expect, test } from 'vitest';
import { idNumber } from './arbitrary-entries.ts';
import { jobEntrySchema, kitEntrySchema } from './index.ts';

const reading = {
  id: idNumber(1),
  device: idNumber(2),
  author: idNumber(3),
  at: '2026-05-04T09:30:00.000Z',
  kind: 'lamps-read',
  receptacle: idNumber(4),
  lamps: { hn: 'lit', hg: 'lit', ng: 'off' },
};
const room = { ...reading, kind: 'room-described', room: idNumber(5), name: 'Den' } as Record<
  string,
  unknown
>;
delete room.lamps;
delete room.receptacle;

const { lamps: _lamps, ...bare } = reading;
const taken = {
  ...bare,
  kind: 'reading-taken',
  shown: { instrument: 'loaded', amps: 12, hn: 116.2, hg: 118.1, ng: 1.9, state: { loadsOff: true } },
};
const fed = { ...bare, kind: 'receptacle-fed', breaker: '7', place: 2 };

describe('what an entry must be', () => {
  test('a sound entry is taken as it is', () => {
    expect(jobEntrySchema().parse(reading)).toEqual(reading);
    expect(jobEntrySchema().parse(taken)).toEqual(taken);
    expect(jobEntrySchema().parse(fed)).toEqual(fed);
    expect(jobEntrySchema().parse({ ...fed, breaker: null, place: null })).toMatchObject({ breaker: null });
    expect(jobEntrySchema().parse(room)).toEqual(room);
  });

  test.each<[string, object, string]>([
    ['an unknown key', { ...reading, colour: 'red' }, ''],
    ['an unknown key deeper down', { ...reading, lamps: { ...reading.lamps, xy: 'lit' } }, 'lamps'],
    ['a pattern that does not exist', { ...reading, lamps: { ...reading.lamps, hn: 'bright' } }, 'lamps.hn'],
    ['a lamp missing', { ...reading, lamps: { hn: 'lit', hg: 'lit' } }, 'lamps.ng'],
    ['volts below nought', { ...taken, shown: { ...taken.shown, hn: -1 } }, 'shown.hn'],
    ['an instrument that does not exist', { ...taken, shown: { instrument: 'nose' } }, 'shown.instrument'],
    ['a place that is no whole number', { ...fed, place: 1.5 }, 'place'],
    ['a breaker of spaces', { ...fed, breaker: ' ' }, 'breaker'],
    ['an unknown kind', { ...reading, kind: 'guessed' }, 'kind'],
    ['an id of another version', { ...reading, id: 'a6d1b7b0-3f0e-4c5e-9f0e-0123456789ab' }, 'id'],
    ['an id in capitals', { ...reading, id: idNumber(0xabcdef).toUpperCase() }, 'id'],
    ['a time without milliseconds', { ...reading, at: '2026-05-04T09:30:00Z' }, 'at'],
    ['a time with an offset', { ...reading, at: '2026-05-04T09:30:00.000+02:00' }, 'at'],
    ['a day that does not exist', { ...reading, at: '2026-02-30T09:30:00.000Z' }, 'at'],
    ['an empty name', { ...room, name: '' }, 'name'],
    ['a name of spaces', { ...room, name: '   ' }, 'name'],
    ['half a character', { ...room, name: 'Den \ud83d' }, 'name'],
    ['a NUL', { ...room, name: 'De\0n' }, 'name'],
    ['a name of 61 characters', { ...room, name: 'x'.repeat(61) }, 'name'],
  ])('%s is refused with its path', (_what, entry, path) => {
    const result = jobEntrySchema().safeParse(entry);
    expect(result.success).toBe(false);
    expect(result.error?.issues[0]?.path.join('.')).toBe(path);
  });

  test('a tester bridges each pair once', () => {
    const lamp = (pair: string) => ({ pair, colour: 'amber' });
    const tester = (pairs: string[]) => ({
      id: idNumber(1),
      device: idNumber(2),
      author: idNumber(3),
      at: '2026-05-04T09:30:00.000Z',
      kind: 'tester-described',
      tester: idNumber(6),
      name: 'The old one',
      layout: pairs.map(lamp),
    });
    expect(kitEntrySchema().safeParse(tester(['ng', 'hn', 'hg'])).success).toBe(true);
    expect(kitEntrySchema().safeParse(tester(['hn', 'hn', 'hg'])).success).toBe(false);
    expect(kitEntrySchema().safeParse(tester(['hn', 'hg'])).success).toBe(false);
  });
});
