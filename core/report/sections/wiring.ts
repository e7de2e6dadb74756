import { panelsOf, receptaclesOf } from '../../log/index.ts';
import type { Reported } from './kind.ts';

/** Panels, and what was seen of the wiring itself; null where nobody looked at any of it. */
export function wiring({ report: { house } }: Reported) {
  const panels = panelsOf(house);
  const { panelSkipped = null, aluminumSought = {} } = house.parts ?? {};
  const all = receptaclesOf(house);
  const boxes = all.flatMap(({ name, coverOff }) =>
    coverOff?.jacketYear === undefined && coverOff?.ground === undefined && coverOff?.remedy === undefined
      ? []
      : [{ name, jacketYear: coverOff.jacketYear, ground: coverOff.ground, remedy: coverOff.remedy }],
  );
  const adapters = all.flatMap(({ name, adapterTab: tab }) => (tab === undefined ? [] : [{ name, tab }]));
  const isEmpty =
    panels.length === 0 &&
    panelSkipped === null &&
    boxes.length === 0 &&
    adapters.length === 0 &&
    Object.keys(aluminumSought).length === 0;
  return isEmpty ? null : { panels, panelSkipped, aluminumSought, boxes, adapters };
}
