import { neutralToGroundLimits, regions, voltageRanges } from '../../knowledge/index.ts';
import { type Receptacle, receptaclesOf } from '../../log/index.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { metered, neutralToGroundUnderLoad } from './metered.ts';
import { type JudgedHouse, withEvidence } from './rule.ts';

/** What the meter read out of range, or too much from neutral to ground, where no condition explains it. */
export function oddVolts({ house, practice, verdictOf, words }: JudgedHouse): readonly Proposal[] {
  const { nominalVolts } = regions[house.region];
  const [lowest, highest] = nominalVolts === 120 ? voltageRanges[practice.schools.voltage] : [216.2, 253];
  // Lamps that read correct count also where people are kept away for another reason.
  const isPlain = (one: Receptacle): boolean => {
    const verdict = verdictOf(one.id);
    if (verdict === null) return false;
    return (
      verdict.plain || (verdict.readsAs[0] === 'correct' && verdict.urgency === null && verdict.stop !== null)
    );
  };
  const out = receptaclesOf(house).filter((one) => {
    const volts = metered(one, 'meter')?.hn;
    return volts !== undefined && isPlain(one) && (volts < lowest || volts > highest);
  });
  const limit = neutralToGroundLimits[practice.schools['neutral-to-ground']] * (nominalVolts / 120);
  const risen = receptaclesOf(house).filter(
    (one) => isPlain(one) && (neutralToGroundUnderLoad(one) ?? 0) > limit,
  );
  const range: readonly Proposal[] =
    out.length === 0
      ? []
      : [
          {
            ...seenOnly,
            ...words.rules.voltage({ low: lowest, high: highest }),
            key: 'house-voltage',
            urgency: 'note',
            ...withEvidence(out, words),
          },
        ];
  const rise: readonly Proposal[] =
    risen.length === 0
      ? []
      : [
          {
            ...seenOnly,
            ...words.rules.neutralRise({ volts: limit }),
            key: 'house-neutral-rise',
            urgency: 'note',
            condition: 'high-resistance',
            ...withEvidence(risen, words),
          },
        ];
  return [...range, ...rise];
}
