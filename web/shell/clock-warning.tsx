import { counted } from '@fair-plug/core/words/counted.ts';
import { useSyncState } from '@/local/use-logs';
import classes from './save-state.module.css';

const minute = 60_000;
const units = [
  { most: 2 * 60 * minute, long: minute, one: 'minute', many: 'minutes' },
  { most: 48 * 60 * minute, long: 60 * minute, one: 'hour', many: 'hours' },
  { most: Number.POSITIVE_INFINITY, long: 24 * 60 * minute, one: 'day', many: 'days' },
] as const;

/** Says by how much the device's clock is off: what is entered is kept in order all the same, with the times it says. */
export function ClockWarning() {
  const { clockOff } = useSyncState();
  if (clockOff === null) return null;
  const off = Math.abs(clockOff);
  const { long, one, many } = units.find(({ most }) => off < most) ?? units[2];
  const by = counted(Math.round(off / long), one, many);
  return (
    <div className={classes.banner} role="status">
      <span>
        <strong>
          This device’s clock is {by} {clockOff > 0 ? 'fast' : 'slow'}.
        </strong>{' '}
        Set it: the times in the report come from it.
      </span>
    </div>
  );
}
