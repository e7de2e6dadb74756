import { groundFaultWords, readingInWords } from '../assessment/index.ts';
import { lookFacts } from '../conditions/index.ts';
import { isPlainLamps, type Receptacle } from '../inspection/index.ts';
import type { Evidence } from './finding.ts';

/** All that was read and seen at a receptacle and still stands, oldest first within each kind. */
export function evidenceAt(receptacle: Receptacle): readonly Evidence[] {
  const { name, readings, looks, groundFaultTests } = receptacle;
  return [
    ...plainLampsFirst(readings).map(({ shown, plateScrew, at }) => ({
      receptacle: name,
      words: readingInWords(shown) + (plateScrew === undefined ? '' : plateScrewWords(plateScrew)),
      at,
    })),
    ...groundFaultTests.map((test) => ({
      receptacle: name,
      words: `Ground-fault device: ${groundFaultWords(test, null).words}`,
      at: test.at,
    })),
    ...looks.map((look) => ({ receptacle: name, words: lookFacts[look].name, at: null })),
  ];
}

/** Plain lamps before all else that was read. */
const plainLampsFirst = (readings: Receptacle['readings']): Receptacle['readings'] => [
  ...readings.filter(isPlainLamps),
  ...readings.filter((reading) => !isPlainLamps(reading)),
];

const plateScrewWords = (sounds: boolean): string => `, plate screw ${sounds ? 'sounds' : 'silent'}`;
