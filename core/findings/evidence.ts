import { faultSeen, groundFaultResult, suspectId } from '../assessment/index.ts';
import type { Fault } from '../faults/index.ts';
import { type House, isPlainLamps, type Receptacle, whereIs } from '../log/index.ts';
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

/** What was found behind covers of a cause, and what was not, box by box. */
export function behindCoversOf(
  house: House,
  { faults }: { readonly faults: readonly Fault[] },
  words: FindingLanguage,
): readonly Evidence[] {
  const ids = faults.map(suspectId).sort().join();
  return (house.behindCovers ?? [])
    .filter(
      (one) =>
        one.faults
          .map((fault) => suspectId(faultSeen(fault)))
          .sort()
          .join() === ids,
    )
    .map(({ box, found, at }) => ({
      receptacle: whereIs(house, box)?.receptacle.name ?? null,
      words: words.behindCover(found, words.cause(faults)),
      at,
    }));
}
