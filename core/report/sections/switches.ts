import { usualGroup } from '../../findings/index.ts';
import { dimmerOf, faultsFitting, regions, shellOf } from '../../knowledge/index.ts';
import { dimmerFigures, pointsOf, receptaclesOf } from '../../log/index.ts';
import type { Reported } from './kind.ts';

/** Switches, dimmers and lampholders that were tried; null where none was. */
export function switches({ report: { house } }: Reported) {
  const { nominalVolts } = regions[house.region];
  const rooms = new Map(house.rooms.map(({ id, name }) => [id, name]));
  const names = new Map(receptaclesOf(house).map(({ id, name }) => [id, name]));
  const points = pointsOf(house).map((point) => {
    const { switchOn = null, switchOff = null } = point.shell;
    const tried = Object.keys(point.combinations).length;
    return {
      point,
      room: rooms.get(point.room ?? null) ?? null,
      fits: tried === 0 ? null : faultsFitting(point.combinations, point.switches ?? usualGroup),
      receptacles: point.receptacles.flatMap((id) => names.get(id) ?? []),
      dimmer: dimmerOf(dimmerFigures(point)),
      shell: shellOf({ on: switchOn, off: switchOff }, nominalVolts),
    };
  });
  return points.length === 0 ? null : { points };
}
