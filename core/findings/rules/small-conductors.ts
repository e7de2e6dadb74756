import { receptaclesOf } from '../../inspection/index.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { type JudgedHouse, places } from './rule.ts';

/** Largest breaker, A, for a conductor: NEC 240.4(D), from memory. */
const copperLimits: Readonly<Record<number, number>> = { 14: 15, 12: 20, 10: 30 };
const aluminumLimits: Readonly<Record<number, number>> = { 12: 15, 10: 25, 8: 40 };

export function smallConductors({ house }: JudgedHouse): readonly Proposal[] {
  const there = receptaclesOf(house).filter(({ coverOff }) => {
    const { awg, breakerAmps, metal } = coverOff ?? {};
    if (awg === undefined || breakerAmps === undefined) return false;
    const limits = metal === 'aluminum' || metal === 'copper-clad' ? aluminumLimits : copperLimits;
    const limit = limits[awg];
    return limit !== undefined && breakerAmps > limit;
  });
  if (there.length === 0) return [];
  return [
    {
      ...seenOnly,
      key: 'house-small-conductors',
      openFirst: 'the panel',
      retest: 'Breaker against conductor; lamps at the receptacles behind it.',
      urgency: 'repair',
      headline: 'Conductor smaller than its breaker allows',
      what: there
        .map(({ name, coverOff }) => `${name}: ${coverOff?.awg} AWG on ${coverOff?.breakerAmps} A.`)
        .join(' '),
      why: 'The wire can overheat inside the wall before the breaker opens.',
      correction: 'A licensed electrician fits the breaker that the conductor allows, or a larger conductor.',
      receptacles: places(there),
    },
  ];
}
