import { type Words, wordsIn } from '@fair-plug/core/words';
import { useRegion } from './region-words';

/** All the words of the region around, those of papers and settings among them: more than the walk should load. */
export const useWholeWords = (): Words => wordsIn(useRegion());
