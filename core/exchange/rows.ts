import type { ListProblem } from '../words/index.ts';
import { csvRows } from './csv.ts';
import { mostRows } from './receptacle-list.ts';

export type Rows =
  | {
      readonly kind: 'rows';
      readonly heading: readonly string[];
      readonly rows: readonly (readonly string[])[];
    }
  | { readonly kind: 'refused'; readonly problem: ListProblem };

/** Largest file taken for a list of receptacles, in bytes. */
const largestFile = 5_000_000;

/** Bytes that a workbook may unpack to: a list of the longest comes to a tenth. */
const mostUnpacked = 50_000_000;

const refused = (problem: ListProblem): Rows => ({ kind: 'refused', problem });

/** The heading and the rows of a CSV or XLSX file, told apart by their content; never throws. */
export async function rowsOf(file: Blob): Promise<Rows> {
  if (file.size > largestFile)
    return refused({ kind: 'large', megabytes: Math.ceil(file.size / 1e6), most: largestFile / 1e6 });
  const isZip = (await file.slice(0, 2).text()) === 'PK';
  let all: readonly (readonly string[])[];
  try {
    if (isZip && !(await (await import('./unpacked.ts')).unpacksWithin(file, mostUnpacked)))
      return refused({ kind: 'unpacks', most: mostUnpacked / 1e6 });
    all = isZip
      ? await (await import('./xlsx.ts')).workbookRows(file)
      : csvRows(new TextDecoder('utf-8', { fatal: true }).decode(await file.arrayBuffer()));
  } catch {
    return refused({ kind: isZip ? 'no-workbook' : 'no-text' });
  }
  const [heading, ...rows] = all;
  if (heading === undefined || rows.length === 0) return refused({ kind: 'empty' });
  if (rows.length > mostRows) return refused({ kind: 'long', rows: rows.length, most: mostRows });
  if (rows.some((row) => row.length > 100)) return refused({ kind: 'wide' });
  return { kind: 'rows', heading, rows };
}
