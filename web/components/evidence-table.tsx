import type { ReadingComparison } from '@fair-plug/core/assessment';
import { useWords } from '@/components/region-words';
import classes from './evidence-table.module.css';

export interface EvidenceTableProps {
  readonly table: readonly ReadingComparison[];
  /** Names of the receptacles, where there are several. */
  readonly nameOf?: (id: string) => string;
  /** Said of what does not fit, where it is not held to be wrong. */
  readonly oddWords?: string;
  /** The head of what it is held against. */
  readonly expectedWords?: string;
}

/** Each reading beside what the leading explanation predicts; one that does not fit is marked. */
export function EvidenceTable({ table, nameOf, oddWords, expectedWords = 'Expected' }: EvidenceTableProps) {
  const words = useWords();
  return (
    <table className={classes.table}>
      <thead>
        <tr>
          <th scope="col">Test</th>
          <th scope="col">Read</th>
          <th scope="col">{expectedWords}</th>
        </tr>
      </thead>
      <tbody>
        {table.map(({ position, reading, predicted, floats, fits, wrong }) => {
          const read = words.values(reading);
          const expected = words
            .values(predicted, floats)
            .filter(([name]) => read.some(([one]) => one === name));
          return (
            <tr key={position} data-fits={fits}>
              <th scope="row">
                {nameOf && <span>{nameOf(reading.at)}: </span>}
                {words.instruments[reading.instrument].name}
                {reading.state?.loadsOff && ', all off'}
                {!fits && <strong className={classes.misfit}>{oddWords ?? words.wrongReading(wrong)}</strong>}
              </th>
              <td>
                {read.map(([name, value]) => (
                  <span key={name}>
                    <small>{name}</small> {value}
                  </span>
                ))}
              </td>
              <td>
                {expected.map(([name, value]) => (
                  <span key={name}>
                    <small>{name}</small> {value}
                  </span>
                ))}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
