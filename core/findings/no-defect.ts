import { neutralToGroundLimits, type Practice, regions } from '../knowledge/index.ts';
import { type House, type Receptacle, receptaclesOf } from '../log/index.ts';
import type { FindingLanguage } from './finding-words.ts';
import { unprotectedPlaces } from './protection-rules.ts';
import { neutralToGroundUnderLoad } from './rules/metered.ts';

export interface NoDefect {
  readonly key: string;
  readonly words: string;
}

const names = (all: readonly Receptacle[]): readonly string[] => all.map(({ name }) => name);

const about = (
  key: string,
  there: readonly Receptacle[],
  wording: (names: readonly string[]) => string,
): readonly NoDefect[] => (there.length === 0 ? [] : [{ key, words: wording(names(there)) }]);

/** What must not be taken for a defect, said so that nobody else reports it as one. */
export function noDefects(
  house: House,
  practice: Practice,
  { noDefects: wordings }: FindingLanguage,
): readonly NoDefect[] {
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
      wordings.holeUp,
    ),
    ...about(
      'two-slot',
      all.filter((one) => one.type === 'two-slot' && !one.adapter),
      wordings.twoSlot,
    ),
    ...about('neutral-rise', risen, (there) => wordings.neutralRise({ volts: limit, names: there })),
    ...older.map(({ place, receptacles, from }) => ({
      key: `upgrade-${place}`,
      words: wordings.upgrade({ place, names: names(receptacles), from }),
    })),
    ...about(
      'three-wire',
      all.filter((one) => one.type === 'range-or-dryer'),
      wordings.threeWire,
    ),
  ];
}
