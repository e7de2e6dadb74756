import type { CatalogWords } from '../../knowledge/index.ts';
import type { ListProblem, Words } from '../words.ts';
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
