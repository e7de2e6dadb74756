import { groundFaultResult } from '../assessment/index.ts';
import { isPlainLamps, type Receptacle } from '../log/index.ts';
import type { Evidence } from './finding.ts';
import type { FindingLanguage } from './finding-words.ts';

/** All that was read and seen at a receptacle and still stands, oldest first within each kind. */
export function evidenceAt(receptacle: Receptacle, words: FindingLanguage): readonly Evidence[] {
  const { name, readings, looks, groundFaultTests } = receptacle;
  return [
    ...plainLampsFirst(readings).map(({ shown, plateScrew, at }) => ({
      receptacle: name,
      words: words.reading(shown) + (plateScrew === undefined ? '' : words.plateScrew(plateScrew)),
      at,
    })),
    ...groundFaultTests.map((test) => ({
      receptacle: name,
      words: words.groundFaultTried(groundFaultResult(test, null).code),
      at: test.at,
    })),
    ...looks.map((look) => ({ receptacle: name, words: words.looks[look].name, at: null })),
  ];
}

/** Plain lamps before all else that was read. */
const plainLampsFirst = (readings: Receptacle['readings']): Receptacle['readings'] => [
  ...readings.filter(isPlainLamps),
  ...readings.filter((reading) => !isPlainLamps(reading)),
];
