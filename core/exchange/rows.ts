import { csvRows } from './csv.ts';
import { mostRows } from './receptacle-list.ts';

export type Rows =
  | {
      readonly kind: 'rows';
      readonly heading: readonly string[];
      readonly rows: readonly (readonly string[])[];
    }
  | { readonly kind: 'refused'; readonly message: string };

/** Largest file taken for a list of receptacles, in bytes. */
const largestFile = 5_000_000;

const refused = (message: string): Rows => ({ kind: 'refused', message });

/** The heading and the rows of a CSV or XLSX file, told apart by their content; never throws. */
export async function rowsOf(file: Blob): Promise<Rows> {
  if (file.size > largestFile)
    return refused(`The file has ${Math.ceil(file.size / 1e6)} MB; a list of receptacles has at most 5.`);
  const isZip = (await file.slice(0, 2).text()) === 'PK';
  let all: readonly (readonly string[])[];
  try {
    all = isZip
      ? await (await import('./xlsx.ts')).workbookRows(file)
      : csvRows(new TextDecoder('utf-8', { fatal: true }).decode(await file.arrayBuffer()));
  } catch {
    return refused(
      isZip ? 'This is no workbook that can be read.' : 'This is no text: save it as CSV, UTF-8.',
    );
  }
  const [heading, ...rows] = all;
  if (heading === undefined || rows.length === 0)
    return refused('There is a heading at most, and no row below it.');
  if (rows.length > mostRows)
    return refused(`There are ${rows.length} rows; a list of receptacles has at most ${mostRows}.`);
  if (rows.some((row) => row.length > 100)) return refused('There are rows of more than 100 columns.');
  return { kind: 'rows', heading, rows };
}
