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
  readonly onClose: () => void;
}
