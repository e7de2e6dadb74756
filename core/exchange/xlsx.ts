import { readSheet } from 'read-excel-file/universal';
import writeSheets from 'write-excel-file/universal';
import type { Table } from './tables.ts';

/** Widest a column is made, in characters; longer texts wrap. */
const widest = 60;

const widthOf = (table: Table, column: number): number =>
  Math.min(
    widest,
    Math.max(
      (table.columns[column] ?? '').length,
      ...table.rows.map((row) => String(row[column] ?? '').length),
    ) + 2,
  );

/** Tables as one workbook, a sheet each. Texts are written as texts: no spreadsheet takes them for formulas. */
export const workbookOf = (tables: readonly Table[]): Promise<Blob> =>
  writeSheets(
    tables.map((table) => ({
      sheet: table.name,
      columns: table.columns.map((_, column) => ({ width: widthOf(table, column) })),
      stickyRowsCount: 1,
      data: [
        table.columns.map((value) => ({ value, type: String, fontWeight: 'bold' as const })),
        ...table.rows.map((row) =>
          row.map((cell) => {
            if (cell === null) return null;
            return typeof cell === 'number'
              ? { value: cell, type: Number }
              : { value: cell, type: String, wrap: true, alignVertical: 'top' as const };
          }),
        ),
      ],
    })),
  ).toBlob();

/** Rows of a workbook's first sheet as texts; throws where it is no workbook. */
export async function workbookRows(file: Blob): Promise<readonly (readonly string[])[]> {
  const rows = await readSheet(file as Parameters<typeof readSheet>[0]);
  return rows.map((row) => row.map((cell) => textOf(cell)));
}

const textOf = (cell: unknown): string => {
  if (cell === null || cell === undefined) return '';
  return cell instanceof Date ? cell.toISOString() : String(cell);
};
