import type { House } from '@fair-plug/core/log';
import type { Report } from '@fair-plug/core/report';
import dayjs from 'dayjs';
import { useWholeWords } from '@/components/whole-words';
import classes from './report-sheet.module.css';

export interface ParticularsProps {
  readonly report: Report;
  readonly inspector: string;
  readonly licence: string | null;
}

/** What stands at the head of a report: whose, which house, when, by whom. */
export function Particulars({ report, inspector, licence }: ParticularsProps) {
  const { client, yearBuilt, about, alterations, present, firstReadAt, lastReadAt } = report.house;
  const words = useWholeWords().report.particulars;
  const days = [firstReadAt, lastReadAt].flatMap((at) =>
    at === null ? [] : dayjs(at).format('D MMMM YYYY'),
  );
  const rows: readonly (readonly [string, string | null])[] = [
    [words.client, client],
    [words.house, [yearBuilt, about].filter((part) => part !== null).join(', ') || null],
    [words.altered, alterations.map(({ year, what }) => `${year} ${what}`).join(', ') || null],
    [words.present, present],
    [words.asFound, asFound(report.house)],
    [words.readOn, [...new Set(days)].join(' to ') || words.notBegun],
    [words.inspector, inspector],
    [words.licence, licence],
  ];
  return (
    <dl className={classes.particulars}>
      {rows.map(([term, value]) =>
        value === null ? null : (
          <div key={term}>
            <dt>{term}</dt>
            <dd>{value}</dd>
          </div>
        ),
      )}
    </dl>
  );
}

const asFound = ({ utilityOn, breakersFoundOff, devicesFoundTripped }: House): string | null =>
  [
    utilityOn === null ? null : `utility ${utilityOn ? 'on' : 'off'}`,
    breakersFoundOff === null ? null : `breakers off: ${breakersFoundOff}`,
    devicesFoundTripped === null ? null : `devices tripped: ${devicesFoundTripped}`,
  ]
    .filter((part) => part !== null)
    .join('; ') || null;
