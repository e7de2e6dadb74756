import { describe, expect, test } from 'vitest';
import { mostTemperatures } from '../log/index.ts';
import { enUs } from '../words/index.ts';
import { gridIn, gridOf } from './thermal-grid.ts';

const problemOf = (text: string): string => {
  const grid = gridOf(text);
  return grid.kind === 'refused' ? enUs.gridProblem(grid.problem) : 'taken';
};

describe('a thermal picture as CSV', () => {
  test('a header names the scale; rows follow from the top', () => {
    expect(gridOf('C,1,2,3\n21.4,21.6,22\n21.5,64.2,23.1\n')).toEqual({
      kind: 'picture',
      picture: { unit: 'C', columns: 3, temperatures: [21.4, 21.6, 22, 21.5, 64.2, 23.1] },
    });
  });

  test('a degree sign, semicolons and decimal commas, and a byte order mark are read too', () => {
    expect(gridOf('\uFEFF°F;a;b\r\n70,5;71\r\n')).toEqual({
      kind: 'picture',
      picture: { unit: 'F', columns: 2, temperatures: [70.5, 71] },
    });
  });

  test.each([
    ['letters', 'C,1\n21,hot\n', 'Line 2, column 2: “hot” is no number.'],
    ['a hole', 'C,1\n21,22\n21,\n', 'Line 3, column 2: nothing stands there.'],
    ['a row that is too short', 'C,1\n21,22\n21\n', 'Line 3 has 1 cells, the ones before it 2.'],
    ['−300 °C', 'C,1\n21,-300\n', 'Line 2, column 2: -300 is no temperature of a house.'],
    ['no scale', '21,22\n21,22\n', 'The first cell of the first line names no scale: it is C or F.'],
    ['a header alone', 'C,1,2\n', 'There is a header at most, and no row below it.'],
    ['nothing', '', 'The first cell of the first line names no scale: it is C or F.'],
  ])('%s is refused with its place', (_, text, message) => expect(problemOf(text)).toBe(message));

  test('of many temperatures the hottest of each block is kept: nothing hot is lost', () => {
    const rows = Array.from({ length: 240 }, (_, y) =>
      Array.from({ length: 320 }, (_, x) => (x === 301 && y === 77 ? 93.7 : 20)).join(','),
    );
    const grid = gridOf(['C', ...rows].join('\n'));
    if (grid.kind !== 'picture') throw new Error('refused');
    expect(grid.picture.temperatures.length).toBeLessThanOrEqual(mostTemperatures);
    expect(Math.max(...grid.picture.temperatures)).toBe(93.7);
    expect(grid.picture.temperatures.length % grid.picture.columns).toBe(0);
  });

  test('a file of 100 MB is refused unread, and what is no text too', async () => {
    const large = {
      size: 100_000_000,
      arrayBuffer: () => Promise.reject(new Error('was read')),
    } as unknown as Blob;
    expect(await gridIn(large)).toEqual({
      kind: 'refused',
      problem: { kind: 'large', megabytes: 100, most: 4 },
    });
    expect(await gridIn(new Blob([Uint8Array.from([0xff, 0xfe, 0xff])]))).toEqual({
      kind: 'refused',
      problem: { kind: 'no-text' },
    });
  });
});
