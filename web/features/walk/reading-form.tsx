import type { HazardId } from '@fair-plug/core/assessment';
import type { InstrumentId, Shown } from '@fair-plug/core/instruments';
import { memo, useEffect } from 'react';
import { Sheet } from '@/components/sheet';
import { whenUsed } from '@/components/when-used';
import type { AskedReading } from './asked-reading';

const load = () => import('./reading-fields').then((one) => one.ReadingFields);
const ReadingFields = whenUsed(load);

export interface ReadingFormProps {
  readonly name: string;
  /** Key of what is drafted at the current receptacle. */
  readonly place: string;
  /** null: closed. */
  readonly asked: AskedReading | null;
  /** Why an instrument is not used here as things stand. */
  readonly hazardOf: (instrument: InstrumentId) => HazardId | null;
  readonly onRecord: (shown: Shown, plateScrew?: boolean) => void;
  readonly onClose: () => void;
}

/** It is used at every other receptacle: at hand by the time that it is, and not in the way of the first sight. */
function loadAtFirstTouch() {
  const done = new AbortController();
  const begin = (): void => {
    done.abort();
    void load().catch(() => {});
  };
  for (const touch of ['pointerdown', 'keydown'])
    addEventListener(touch, begin, { signal: done.signal, passive: true });
  return () => done.abort();
}

/** Enters what an instrument shows at the current receptacle. */
export const ReadingForm = memo(
  function ReadingForm({ name, place, asked, hazardOf, onRecord, onClose }: ReadingFormProps) {
    useEffect(loadAtFirstTouch, []);
    return (
      <Sheet opened={asked !== null} onClose={onClose} title={`${name}: what does it show?`}>
        {asked !== null && (
          <ReadingFields
            key={`${asked.instrument} ${asked.loadsOff}`}
            asked={asked}
            place={place}
            hazardOf={hazardOf}
            onRecord={onRecord}
          />
        )}
      </Sheet>
    );
  },
  (before, after) => before.asked === null && after.asked === null,
);
