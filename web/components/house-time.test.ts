import { expect, test } from 'vitest';
import { timeIn } from './house-time.tsx';

test('a time is told as the clocks of the house show it, wherever it is read', () => {
  const at = '2026-01-15T03:10:00.000Z';
  expect(timeIn('America/Denver')(at, 'D MMM YYYY, HH:mm')).toBe('14 Jan 2026, 20:10');
  expect(timeIn('Asia/Kolkata')(at, 'D MMM YYYY, HH:mm')).toBe('15 Jan 2026, 08:40');
  // Where it is not known, this device's.
  const own = new Date(at).getHours();
  expect(Number(timeIn(null)(at, 'H'))).toBe(own);
  expect(Number(timeIn('Mars/Olympus')(at, 'H'))).toBe(own);
});
