import { type Practice, type QuestionId, viewsOf } from '@fair-plug/core/knowledge';
import { viewsIn, type Words } from '@fair-plug/core/words';

/** A question on which practitioners differ: what the firm holds, and what others say. */
export const viewWords = (words: Words, id: QuestionId, { schools }: Practice) =>
  viewsIn(words.questions[id], viewsOf(id, schools));
