import Papa from 'papaparse';
import { harmless, type Table } from './tables.ts';

/** A table as CSV after RFC 4180: CRLF, quotes doubled. A byte order mark lets spreadsheets see that it is UTF-8. */
export const csvOf = ({ columns, rows }: Table): string =>
  `\uFEFF${Papa.unparse(
    { fields: [...columns], data: rows.map((row) => row.map((cell) => harmless(cell) ?? '')) },
    { newline: '\r\n' },
  )}\r\n`;

/** Rows of a CSV text, as they stand; commas, semicolons and tabs are told apart. */
export function csvRows(text: string): readonly (readonly string[])[] {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  return data;
}
