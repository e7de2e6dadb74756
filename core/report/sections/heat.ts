import { hottestIn, measuredAt } from '../../findings/index.ts';
import { heatOf } from '../../knowledge/index.ts';
import { hotSpotsOf } from '../../log/index.ts';
import type { Reported } from './kind.ts';

/** Spots that were looked at for heat, and what ran meanwhile; null where none was. */
export function heat({ report: { house } }: Reported) {
  const spots = hotSpotsOf(house).map((spot) => {
    const measured = measuredAt(spot);
    return {
      spot,
      measured,
      judged: heatOf(measured),
      hottest: spot.picture === undefined ? null : hottestIn(spot.picture),
    };
  });
  const plan = house.parts?.loadPlan ?? [];
  return spots.length === 0 && plan.length === 0 ? null : { spots, plan };
}
