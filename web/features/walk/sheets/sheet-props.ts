import type { HazardId } from '@fair-plug/core/assessment';
import type { InstrumentId } from '@fair-plug/core/instruments';
import type { House, JobEntry } from '@fair-plug/core/log';
import type { Walk } from '../use-walk';

/** The place that is in hand, as a key of what is drafted there. */
export const placeOf = ({ here: { currentPlace } }: Walk): string =>
  `${currentPlace?.room} ${currentPlace?.receptacle}`;

/** What every sheet of the walk works on. */
export interface SheetProps {
  readonly job: string;
  readonly house: House;
  readonly entries: readonly JobEntry[];
  readonly walk: Walk;
  /** Why an instrument is not used at the receptacle in hand as things stand. */
  readonly hazardOf: (instrument: InstrumentId) => HazardId | null;
  readonly onClose: () => void;
}
