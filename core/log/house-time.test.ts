import fc from 'fast-check';
import { expect, test } from 'vitest';
import { houseDay, houseTime } from './index.ts';

test('an instant is told as the house’s clocks showed it, with the offset, in summer and in winter', () => {
  // Offsets of the time zone database (tzdata) for these days, from memory.
  const told = [
    ['America/Denver', '2026-01-15T03:10:00.000Z', '2026-01-14T20:10:00-07:00'],
    ['America/Denver', '2026-07-15T03:10:00.000Z', '2026-07-14T21:10:00-06:00'],
    ['Asia/Kolkata', '2026-01-15T20:00:00.000Z', '2026-01-16T01:30:00+05:30'],
    ['Europe/London', '2026-01-15T00:00:00.000Z', '2026-01-15T00:00:00+00:00'],
  ] as const;
  for (const [zone, at, there] of told) expect(houseTime(zone, at)).toBe(there);
  expect(houseDay({ timeZone: 'America/Denver' }, '2026-07-15T03:10:00.000Z')).toBe('2026-07-14');
});

test('it is the same instant in every zone; without one, or in one that nobody knows, it is told in UTC', () => {
  const zones = fc.constantFrom(...Intl.supportedValuesOf('timeZone').filter((_, at) => at % 9 === 0));
  const instants = fc
    .date({ min: new Date('2000-01-01'), max: new Date('2040-01-01'), noInvalidDate: true })
    .map((date) => new Date(Math.floor(date.getTime() / 1000) * 1000).toISOString());
  fc.assert(
    fc.property(zones, instants, (zone, at) => {
      expect(new Date(houseTime(zone, at)).toISOString()).toBe(at);
      expect(houseTime(null, at)).toBe(at);
      expect(houseTime('Mars/Olympus', at)).toBe(at);
    }),
  );
});
