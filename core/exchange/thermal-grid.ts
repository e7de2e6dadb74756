import Papa from 'papaparse';
import type { TemperatureUnit } from '../knowledge/index.ts';
import { mostTemperatures, type ThermalPicture } from '../log/index.ts';
import type { GridProblem } from '../words/index.ts';

export type { GridProblem } from '../words/index.ts';

/** Largest file that is read for a picture, in bytes: 640 × 480 temperatures come to half of it. */
const largestFile = 4_000_000;
/** Temperatures outside of these, in °C, are none of a house. */
const plausible = [-80, 2000] as const;

export type Grid =
  | { readonly kind: 'picture'; readonly picture: ThermalPicture }
  | { readonly kind: 'refused'; readonly problem: GridProblem };

const refused = (problem: GridProblem): Grid => ({ kind: 'refused', problem });

/** "C", "°C", "deg F": the scale that a header's first cell names. */
function unitIn(cell: string | undefined): TemperatureUnit | null {
  const scale = /^(?:°|deg(?:rees)?\s*)?\s*([CF])$/i.exec((cell ?? '').trim())?.[1];
  return scale === undefined ? null : scale.toUpperCase() === 'C' ? 'C' : 'F';
}

const isPlausible = (value: number, unit: TemperatureUnit): boolean => {
  const celsius = unit === 'C' ? value : ((value - 32) * 5) / 9;
  return celsius >= plausible[0] && celsius <= plausible[1];
};

/** A number as spreadsheets write it, with a point or a comma; null where it is none. */
function numberIn(cell: string): number | null {
  const text = cell.trim().replace(',', '.');
  return /^[+-]?\d+(\.\d+)?$/.test(text) ? Number(text) : null;
}

/**
 * A picture as it is kept: no more than so many temperatures, each the hottest of the block that it stands for, so that
 * nothing hot is lost.
 */
function reduced(rows: readonly (readonly number[])[], unit: TemperatureUnit): ThermalPicture {
  const columns = rows[0]?.length ?? 0;
  const by = Math.max(1, Math.ceil(Math.sqrt((rows.length * columns) / mostTemperatures)));
  const across = Math.ceil(columns / by);
  const down = Math.ceil(rows.length / by);
  const temperatures = new Array<number>(across * down).fill(Number.NEGATIVE_INFINITY);
  rows.forEach((row, y) => {
    row.forEach((value, x) => {
      const at = Math.floor(y / by) * across + Math.floor(x / by);
      temperatures[at] = Math.max(temperatures[at] as number, Math.round(value * 100) / 100);
    });
  });
  return { unit, columns: across, temperatures };
}

/**
 * Temperatures out of the text of a CSV file: a header whose first cell names the scale (`C` or `F`, with or without a
 * degree sign), then rows of numbers, all of one length. See docs/formats/thermal-grid.md.
 */
export function gridOf(text: string): Grid {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const [header, ...lines] = data;
  const unit = unitIn(header?.[0]);
  if (unit === null) return refused({ kind: 'no-unit' });
  const columns = lines[0]?.length ?? 0;
  if (columns === 0) return refused({ kind: 'empty' });
  const rows: number[][] = [];
  for (const [at, line] of lines.entries()) {
    const row = at + 2;
    if (line.length !== columns)
      return refused({ kind: 'ragged', row, cells: line.length, expected: columns });
    const values: number[] = [];
    for (const [x, cell] of line.entries()) {
      const column = x + 1;
      if (cell.trim() === '') return refused({ kind: 'hole', row, column });
      const value = numberIn(cell);
      if (value === null) return refused({ kind: 'no-number', row, column, cell: cell.slice(0, 20) });
      if (!isPlausible(value, unit))
        return refused({ kind: 'implausible', row, column, cell: cell.slice(0, 20) });
      values.push(value);
    }
    rows.push(values);
  }
  return { kind: 'picture', picture: reduced(rows, unit) };
}

/** The same of a file; never throws. */
export async function gridIn(file: Blob): Promise<Grid> {
  if (file.size > largestFile)
    return refused({ kind: 'large', megabytes: Math.ceil(file.size / 1e6), most: largestFile / 1e6 });
  try {
    return gridOf(new TextDecoder('utf-8', { fatal: true }).decode(await file.arrayBuffer()));
  } catch {
    return refused({ kind: 'no-text' });
  }
}
