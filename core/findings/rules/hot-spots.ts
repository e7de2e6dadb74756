import { heatOf, heatUrgency, toCelsius } from '../../knowledge/index.ts';
import { type HotSpot, hotSpotsOf } from '../../log/index.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { hottestIn } from '../thermal-picture.ts';
import type { JudgedHouse } from './rule.ts';

/** What of a spot is judged: as it was measured, or else the hottest of its picture. */
export function measuredAt(spot: HotSpot) {
  const { unit = 'C', degrees, ambient, similar, aboveRange, picture } = spot;
  const hottest = picture === undefined ? null : hottestIn(picture);
  // A picture in another scale is brought to that of the figures beside it.
  const fromPicture =
    hottest === null || picture === undefined || degrees !== undefined
      ? null
      : picture.unit === unit
        ? hottest.degrees
        : unit === 'C'
          ? toCelsius(hottest.degrees, 'F')
          : (hottest.degrees * 9) / 5 + 32;
  return {
    degrees: degrees ?? fromPicture,
    ambient: ambient ?? null,
    similar: similar ?? null,
    aboveRange: aboveRange === true,
    unit,
  };
}

/** Spots that are hotter than a similar one, or than the air, should leave them. */
export function hotSpots({ house, words }: JudgedHouse): readonly Proposal[] {
  return hotSpotsOf(house).flatMap((spot): readonly Proposal[] => {
    const measured = measuredAt(spot);
    const judged = heatOf(measured);
    const urgency = judged === null ? null : heatUrgency[judged.heat];
    if (judged === null || urgency === null) return [];
    const where = spot.where ?? words.rules.panelName;
    const figures = words.rules.hotSpotMeasured({
      ...judged,
      degrees: measured.degrees,
      unit: measured.unit,
      aboveRange: measured.aboveRange,
      amps: spot.loadAmps ?? null,
    });
    return [
      {
        ...seenOnly,
        ...words.rules.hotSpot({
          where,
          heat: judged.heat,
          measured: figures,
          bareMetal: spot.bareMetal === true,
        }),
        key: `heat:${spot.id}`,
        code: `heat:${judged.heat}`,
        urgency,
        receptacles: [],
        parts: [spot.id],
        evidence: [{ receptacle: where, words: figures, at: null }],
      },
    ];
  });
}
