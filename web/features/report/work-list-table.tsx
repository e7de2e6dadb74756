import type { WorkLine } from '@fair-plug/core/report';
import { Triangle } from '@/components/triangle';
import { useWholeWords } from '@/components/whole-words';
import classes from './work-list-table.module.css';

const columns = [
  ['cause', 'Probable cause'],
  ['openFirst', 'Open first'],
  ['correction', 'Correction'],
  ['retest', 'Retest'],
] as const;

/** Long enough that saying it again would hide what differs. */
const longWords = 40;

const isAsAbove = (
  lines: readonly WorkLine[],
  index: number,
  field: (typeof columns)[number][0],
): boolean => {
  const words = lines[index]?.[field] ?? '';
  return words.length > longWords && lines[index - 1]?.[field] === words;
};

/** What the electrician takes along: one line a box, in the order of the walk. */
export function WorkListTable({ lines }: { readonly lines: readonly WorkLine[] }) {
  const words = useWholeWords();
  if (lines.length === 0) return <p>{words.report.noWork}</p>;
  return (
    <>
      <p className={classes.lead}>{words.report.workListLead}</p>
      <div className={classes.scroll}>
        <table className={classes.list}>
          <thead>
            <tr>
              <th scope="col">Box</th>
              <th scope="col">Read</th>
              {columns.map(([field, label]) => (
                <th key={field} scope="col">
                  {label}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {lines.map((line, index) => (
              <tr key={line.id}>
                <th scope="row">
                  {line.receptacle}
                  <span className={classes.number}>
                    {line.findings.length > 1 ? 'Findings' : 'Finding'} {line.findings.join(', ')}
                  </span>
                  {line.breaker !== null && (
                    <span className={classes.number}>
                      {lines[index - 1]?.breaker === line.breaker
                        ? `${words.report.circuit(line.breaker, [])}, as above`
                        : line.circuit}
                    </span>
                  )}
                </th>
                <td data-label="Read" className={classes.read}>
                  {line.room !== words.report.elsewhere && <Triangle lamps={line.lamps} size={24} label="" />}
                  <span>{line.read.replace(/([A-Z])–([A-Z])/g, '$1\u2060–\u2060$2')}</span>
                </td>
                {columns.map(([field, label]) => (
                  <td key={field} data-label={label}>
                    {isAsAbove(lines, index, field) ? (
                      <span className={classes.above}>as above</span>
                    ) : (
                      (line[field] ?? '–')
                    )}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}
