import type { AssessedReceptacle } from '@fair-plug/core/assessment';
import type { Receptacle } from '@fair-plug/core/log';
import type { MapMark } from './room-map';

/** A receptacle on the plan of its room, as it is held to be; by nothing but its name and place where nobody judged it. */
export const markOf = (
  { id, name, spot }: Receptacle,
  assessed: Pick<AssessedReceptacle, 'lamps' | 'verdict'> | undefined,
): MapMark => ({
  id,
  name,
  spot,
  lamps: assessed?.lamps ?? null,
  corners: assessed?.verdict?.contacts,
  hasFinding: false,
});
