import { type ConductorMetal, conductorSizes, largestBreaker } from '../../knowledge/index.ts';
import { panelsOf, receptaclesOf } from '../../log/index.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { type JudgedHouse, places } from './rule.ts';

/** Whether a breaker is larger than its conductor allows; copper where nobody said the metal. */
function isTooLarge(metal: ConductorMetal | undefined, awg: string, amps: number): boolean {
  const size = conductorSizes.find((one) => one === awg);
  const most = size === undefined ? null : largestBreaker(metal ?? 'copper', size);
  return most !== null && amps > most;
}

/** Conductors on a breaker that is too large for them, in boxes and at panels: one finding. */
export function smallConductors({ house, words }: JudgedHouse): readonly Proposal[] {
  const inBoxes = receptaclesOf(house).flatMap((receptacle) => {
    const { awg, breakerAmps: amps, metal } = receptacle.coverOff ?? {};
    if (awg === undefined || amps === undefined) return [];
    return isTooLarge(metal, String(awg), amps) ? [{ receptacle, awg: String(awg), amps }] : [];
  });
  const atPanels = panelsOf(house).flatMap(({ name: panel = words.rules.panelName, breakers }) =>
    breakers.flatMap(({ id, number, amps, metal, size }) =>
      size !== undefined && typeof amps === 'number' && isTooLarge(metal, size, amps)
        ? [{ id, panel, name: words.rules.position(number ?? '–'), awg: size, amps }]
        : [],
    ),
  );
  if (inBoxes.length + atPanels.length === 0) return [];
  return [
    {
      ...seenOnly,
      ...words.rules.smallConductors([
        ...inBoxes.map(({ receptacle: { name }, awg, amps }) => ({ name, awg, amps })),
        ...atPanels,
      ]),
      key: 'house-small-conductors',
      urgency: 'repair',
      receptacles: places(inBoxes.map(({ receptacle }) => receptacle)),
      evidence: atPanels.map((one) => ({
        receptacle: one.panel,
        words: words.rules.smallConductor(one),
        at: null,
      })),
      parts: atPanels.map(({ id }) => id),
    },
  ];
}
