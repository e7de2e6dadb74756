import { describe, expect, test } from 'vitest';
import { aluminumRemedies, questions, ways } from '../corrections/index.ts';
import { cautions, conditions, dangerWords, inWordsOf, lookFacts, patternTable } from './index.ts';

/** Words of the trade that only North America has; a British text holds none of them. */
const american =
  /\b(receptacles?|ground(ed|ing|s)?|ungrounded|ground-fault|hot|prongs?|slots?|AWG|NEC|UL|GFCI|panel|aluminum|licensed|utility)\b|H–[NG]|N–G|\ba (RCD|earth)\b/;
/** And words that only Britain has. */
const british =
  /\b(socket-outlets?|earth(ed|ing|s)?|RCDs?|consumer unit|aluminium|registered electrician)\b|L–[NE]|N–E/;

/** Sentences that are said of North American wiring alone, in houses there. */
const ofNorthAmerica =
  /14 AWG|10 AWG|8 AWG|No Equipment Ground|NEC|three-to-two|two-slot|Two slots|15 A|CO\/ALR/i;

/** Every sentence in a catalog. */
function sentencesIn(value: unknown): readonly string[] {
  if (typeof value === 'string') return value.includes(' ') ? [value] : [];
  return typeof value === 'object' && value !== null ? Object.values(value).flatMap(sentencesIn) : [];
}

const sentences = [
  ...new Set(
    sentencesIn([
      conditions,
      patternTable,
      lookFacts,
      dangerWords,
      cautions,
      ways,
      questions,
      aluminumRemedies,
    ]),
  ),
].filter((sentence) => !ofNorthAmerica.test(sentence));

describe('two English languages', () => {
  test('there are sentences to look at', () => {
    expect(sentences.length).toBeGreaterThan(300);
  });

  test('a sentence of the catalogs holds no British word; in Britain it holds no American one', () => {
    expect(sentences.filter((sentence) => british.test(sentence))).toEqual([]);
    expect(
      sentences.map((sentence) => inWordsOf('uk', sentence)).filter((said) => american.test(said)),
    ).toEqual([]);
  });

  test.each([
    ['A ground-fault device', 'An RCD'],
    ['a ground', 'an earth'],
    ['Ground-fault receptacles', 'Socket-outlets with their own RCD'],
    ['H–N 118.4 V, N–G 0.2 V', 'L–N 118.4 V, N–E 0.2 V'],
    ['Hot (narrow slot)', 'Line (line hole)'],
    ['The local code decides.', 'BS 7671 decides.'],
  ])('%s: %s', (said, inBritain) => {
    expect(inWordsOf('uk', said)).toBe(inBritain);
  });
});
