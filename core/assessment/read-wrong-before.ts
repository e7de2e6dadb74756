import type { ConditionId } from '../knowledge/index.ts';
import { isPlainLamps, type ReadingTaken } from '../log/index.ts';
import type { AssessedReceptacle, Assessment } from './assessment.ts';
import { judgeByLamps } from './lamp-verdict.ts';

/** What a receptacle that reads correct now read as before, and by which reading. */
export interface WrongBefore {
  readonly condition: ConditionId;
  readonly reading: ReadingTaken;
}

/** What plain lamps read as, where that asks for something to be done. */
function wrongIn(reading: ReadingTaken): WrongBefore | null {
  const { shown } = reading;
  if (!isPlainLamps(reading) || shown.instrument !== 'lamps') return null;
  const { readsAs, urgency } = judgeByLamps({ lamps: shown });
  const [condition] = readsAs;
  return urgency === null || condition === undefined ? null : { condition, reading };
}

/** The latest wrong reading of a receptacle that reads correct now; null where there is none, or none to be trusted. */
export function wrongBefore(
  { receptacle, verdict }: AssessedReceptacle,
  { functionChecks }: Pick<Assessment, 'functionChecks'>,
): WrongBefore | null {
  if (verdict?.readsAs[0] !== 'correct') return null;
  const isDoubted = ({ id }: ReadingTaken) => functionChecks.some(({ doubted }) => doubted.includes(id));
  for (const reading of receptacle.readings.toReversed()) {
    const wrong = isDoubted(reading) ? null : wrongIn(reading);
    if (wrong !== null) return wrong;
  }
  return null;
}
