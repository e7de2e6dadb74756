import { type Row, standIns } from './lone-rows.ts';
import { rowsInWriting } from './rows-in-writing.ts';

/** A row without its circuit, which is named by its place among those that stand for any. */
type WrittenRow = Omit<Row, 'network'> & { readonly standIn: number };

/** For `rows-in-writing.ts`, so that no page spends half a second on them. */
export function writtenRows(rows: readonly Row[]): string {
  const networks = standIns();
  return JSON.stringify(
    rows.map(({ network, ...row }): WrittenRow => ({ ...row, standIn: networks.indexOf(network) })),
    (_, value) => (typeof value === 'number' ? Number(value.toPrecision(12)) : value),
  );
}

/** Everything that may hold at a receptacle, as it was written down. */
export function madeRows(): readonly Row[] {
  const networks = standIns();
  return (JSON.parse(rowsInWriting) as readonly WrittenRow[]).flatMap(({ standIn, ...row }) => {
    const network = networks[standIn];
    return network === undefined ? [] : [{ ...row, network }];
  });
}
