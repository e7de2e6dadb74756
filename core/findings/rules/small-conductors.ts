import { countsAsAluminum } from '../../knowledge/index.ts';
import { receptaclesOf } from '../../log/index.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { type JudgedHouse, places } from './rule.ts';

/** Largest breaker, A, for a conductor: NEC 240.4(D); 8 AWG aluminum by table 310.16 at 60 °C; from memory. */
const copperLimits: Readonly<Record<number, number>> = { 14: 15, 12: 20, 10: 30 };
const aluminumLimits: Readonly<Record<number, number>> = { 12: 15, 10: 25, 8: 35 };

export function smallConductors({ house, words }: JudgedHouse): readonly Proposal[] {
  const there = receptaclesOf(house).flatMap((receptacle) => {
    const { awg, breakerAmps: amps, metal } = receptacle.coverOff ?? {};
    if (awg === undefined || amps === undefined) return [];
    const limits = metal !== undefined && countsAsAluminum(metal) ? aluminumLimits : copperLimits;
    const limit = limits[awg];
    return limit !== undefined && amps > limit ? [{ receptacle, name: receptacle.name, awg, amps }] : [];
  });
  if (there.length === 0) return [];
  return [
    {
      ...seenOnly,
      ...words.rules.smallConductors(there),
      key: 'house-small-conductors',
      urgency: 'repair',
      receptacles: places(there.map(({ receptacle }) => receptacle)),
    },
  ];
}
