import { calibrationOf } from '../../knowledge/index.ts';
import { houseDay } from '../../log/index.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import type { JudgedHouse } from './rule.ts';

/** An instrument is calibrated once a year (common practice). */
const usualMonths = 12;

/** The day so many months before another, as text that compares like a day. */
function monthsBefore(day: string, months: number): string {
  const date = new Date(`${day}T00:00:00.000Z`);
  date.setUTCMonth(date.getUTCMonth() - months);
  return date.toISOString().slice(0, 10);
}

/** Something was read with an instrument whose calibration was more than a year old by then. */
export function calibrationOverdue({ house, assessment, practice, words }: JudgedHouse): readonly Proposal[] {
  if (house.lastReadAt === null) return [];
  const oldest = monthsBefore(houseDay(house, house.lastReadAt), usualMonths);
  const overdue = assessment.functionChecks.flatMap(({ instrument, tester, readings }) => {
    const day = calibrationOf(practice, instrument, tester)?.calibratedOn ?? null;
    return readings === 0 || day === null || day >= oldest ? [] : [{ instrument, day }];
  });
  if (overdue.length === 0) return [];
  return [
    {
      ...seenOnly,
      ...words.rules.calibrationOverdue(overdue),
      key: 'house-calibration',
      urgency: 'note',
      by: 'owner',
      receptacles: [],
    },
  ];
}
