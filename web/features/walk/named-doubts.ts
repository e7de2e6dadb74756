import type { JudgedReceptacle } from '@fair-plug/core/assessment';
import type { ConditionId } from '@fair-plug/core/knowledge';

/** Below this a doubt behind a plainly correct reading is said once for the house, not here. */
const worthSayingHere = 0.03;

/**
 * What is not ruled out, as far as it is named at a receptacle, the most dangerous first. Behind a plainly correct
 * reading that is what is likely enough, with all that is more dangerous: named without it, it would seem ruled out.
 */
export function namedDoubts(
  { notRuledOut, doubts }: Pick<JudgedReceptacle, 'notRuledOut' | 'doubts'>,
  isPlain: boolean,
): readonly ConditionId[] {
  if (!isPlain) return notRuledOut;
  return notRuledOut.slice(0, doubts.findLastIndex((doubt) => doubt >= worthSayingHere) + 1);
}
