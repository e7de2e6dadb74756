import type { ViewWords } from '@fair-plug/core/knowledge';
import { type Practice, type QuestionId, viewsOf } from '@fair-plug/core/knowledge';
import type { Words } from '@fair-plug/core/words';

/** A question on which practitioners differ: what the firm holds, and what others say. */
export function viewWords(words: Words, id: QuestionId, { schools }: Practice) {
  const { asks, views } = words.questions[id];
  const all: Readonly<Record<string, ViewWords>> = views;
  const [held, ...others] = viewsOf(id, schools).flatMap((view) => all[view] ?? []);
  return { asks, held, others };
}
