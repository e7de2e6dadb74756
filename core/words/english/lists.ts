import type { CatalogWords } from '../../knowledge/index.ts';
import type { GridProblem, ListProblem, Words } from '../words.ts';
import { comma } from './terms.ts';

/** What is wrong with a cell of a list. */
export const rowProblem =
  (types: CatalogWords['receptacleTypes']): Words['rowProblem'] =>
  (problem) => {
    switch (problem.kind) {
      case 'empty':
        return 'nothing stands there';
      case 'too-long':
        return `expected at most ${problem.most} plain characters`;
      case 'type':
        return `expected one of ${comma([...new Set(Object.values(types))])}`;
      case 'place':
        return 'expected a whole number from 1 to 200';
      case 'listed-already':
        return 'stands in the list already';
    }
  };

/** Why a file is no list. */
export function listProblem(problem: ListProblem): string {
  switch (problem.kind) {
    case 'no-workbook':
      return 'This is no workbook that can be read.';
    case 'no-text':
      return 'This is no text: save it as CSV, UTF-8.';
    case 'empty':
      return 'There is a heading at most, and no row below it.';
    case 'wide':
      return 'There are rows of more than 100 columns.';
    case 'large':
      return `The file has ${problem.megabytes} MB; a list has at most ${problem.most}.`;
    case 'unpacks':
      return `Unpacked, this workbook is larger than ${problem.most} MB.`;
    case 'long':
      return `There are ${problem.rows} rows; a list has at most ${problem.most}.`;
  }
}

/** Why a file is no thermal picture. */
export function gridProblem(problem: GridProblem): string {
  switch (problem.kind) {
    case 'large':
      return `The file has ${problem.megabytes} MB; a thermal picture has at most ${problem.most}.`;
    case 'no-text':
      return 'This is no text: save the temperatures as CSV, UTF-8.';
    case 'no-unit':
      return 'The first cell of the first line names no scale: it is C or F.';
    case 'empty':
      return 'There is a header at most, and no row below it.';
    case 'no-number':
      return `Line ${problem.row}, column ${problem.column}: “${problem.cell}” is no number.`;
    case 'hole':
      return `Line ${problem.row}, column ${problem.column}: nothing stands there.`;
    case 'ragged':
      return `Line ${problem.row} has ${problem.cells} cells, the ones before it ${problem.expected}.`;
    case 'implausible':
      return `Line ${problem.row}, column ${problem.column}: ${problem.cell} is no temperature of a house.`;
  }
}
