import { regions } from '../conditions/index.ts';
import { neutralToGroundLimits, type Practice } from '../corrections/index.ts';
import { type House, type Receptacle, receptaclesOf } from '../inspection/index.ts';
import { unprotectedPlaces } from './protection-rules.ts';
import { neutralToGroundUnderLoad } from './rules/metered.ts';

export interface NoDefect {
  readonly key: string;
  readonly words: string;
}

const named = (all: readonly Receptacle[]): string => all.map(({ name }) => name).join(', ');

const about = (
  key: string,
  there: readonly Receptacle[],
  words: (names: string) => string,
): readonly NoDefect[] => (there.length === 0 ? [] : [{ key, words: words(named(there)) }]);

/** What must not be taken for a defect, said so that nobody else reports it as one. */
export function noDefects(house: House, practice: Practice): readonly NoDefect[] {
  const all = receptaclesOf(house);
  const limit =
    neutralToGroundLimits[practice.schools['neutral-to-ground']] * (regions[house.region].nominalVolts / 120);
  const risen = all.filter((one) => {
    const volts = neutralToGroundUnderLoad(one);
    return volts !== null && volts > 0.05 && volts <= limit;
  });
  const isUs = practice.groundFaultRules === 'us' && house.region === 'north-america';
  const older = isUs ? unprotectedPlaces(house).filter(({ predates }) => predates) : [];
  return [
    ...about(
      'hole-up',
      all.filter((one) => one.looks.includes('hole-up')),
      (names) => `Ground hole up at ${names}: either way up is right.`,
    ),
    ...about(
      'two-slot',
      all.filter((one) => one.type === 'two-slot' && !one.adapter),
      (names) =>
        `Two-slot receptacles at ${names}: allowed where they are original; nothing with three prongs can be plugged in.`,
    ),
    ...about(
      'neutral rise',
      risen,
      (names) =>
        `Neutral to ground up to ${limit} V under load at ${names}: that is the drop along the neutral, and a sign of a real ground.`,
    ),
    ...older.map(({ place, receptacles, from }) => ({
      key: `upgrade ${place}`,
      words: `No ground-fault protection found in the ${place} (${named(receptacles)}): the house predates the rule of ${from} (from memory). Upgrade recommended; the local edition decides what a change of device brings.`,
    })),
    ...about(
      'three-wire',
      all.filter((one) => one.type === 'range-or-dryer'),
      (names) =>
        `Range and dryer circuits (${names}): an existing three-wire circuit may ground its frame through the neutral (NEC 250.140, from memory) and is no jumpered ground.`,
    ),
  ];
}
