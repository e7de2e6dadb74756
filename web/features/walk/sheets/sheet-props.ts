import type { House, JobEntry } from '@fair-plug/core/inspection';
import type { Walk } from '../use-walk';

/** What every sheet of the walk works on. */
export interface SheetProps {
  readonly job: string;
  readonly house: House;
  readonly entries: readonly JobEntry[];
  readonly walk: Walk;
  readonly onClose: () => void;
}
