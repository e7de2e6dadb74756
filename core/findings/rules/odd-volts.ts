import { regions } from '../../conditions/index.ts';
import { neutralToGroundLimits, voltageRanges } from '../../corrections/index.ts';
import { type Receptacle, receptaclesOf } from '../../inspection/index.ts';
import { evidenceAt } from '../evidence.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { metered, neutralToGroundUnderLoad } from './metered.ts';
import { type JudgedHouse, places } from './rule.ts';

/** What the meter read out of range, or too much from neutral to ground, where no condition explains it. */
export function oddVolts({ house, practice, verdictOf }: JudgedHouse): readonly Proposal[] {
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
            key: 'house-voltage',
            openFirst: 'no box before the volts at the service are known',
            retest: 'Volts at the service and here, at another hour.',
            urgency: 'note',
            headline: 'Voltage out of range',
            what: `Hot to neutral lies outside ${lowest} to ${highest} V.`,
            why: 'Equipment runs hot, weak or short-lived.',
            correction:
              'A licensed electrician compares the volts at the service; if they are out of range there, the utility is told.',
            receptacles: places(out),
            evidence: out.flatMap(evidenceAt),
          },
        ];
  const rise: readonly Proposal[] =
    risen.length === 0
      ? []
      : [
          {
            ...seenOnly,
            key: 'house-neutral-rise',
            urgency: 'note',
            headline: 'Neutral rises above ground under load',
            what: `More than ${limit} V from neutral to ground under load.`,
            why: 'It is the drop along the neutral: long, thin or poorly joined.',
            correction:
              'A licensed electrician looks at the connections of the neutral at the next occasion.',
            condition: 'high-resistance',
            receptacles: places(risen),
            evidence: risen.flatMap(evidenceAt),
          },
        ];
  return [...range, ...rise];
}
