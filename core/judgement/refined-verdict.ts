import { type ConditionId, conditions } from '../conditions/index.ts';
import type { Verdict } from '../diagnosis/index.ts';
import type { Receptacle } from '../inspection/index.ts';
import { readingsOf } from './circuits.ts';
import type { JudgedReceptacle } from './house-judgement.ts';

/** True where something is read there, and the engine answered to that, not to what was read before. */
export const isJudgedAsRead = ({ table }: JudgedReceptacle, receptacle: Receptacle): boolean =>
  table.length > 0 &&
  JSON.stringify(table.map(({ reading }) => reading)) === JSON.stringify(readingsOf(receptacle));

/** What dark contacts may still be: never called dead without saying so. */
const headlines: Partial<Record<ConditionId | 'undetermined', string>> = {
  correct: 'Reads correct',
  undetermined: 'Undetermined: test again',
  'open-hot': 'No power here – not proved dead',
  'protection-tripped': 'No power: likely tripped or switched off – not proved dead',
};

const headlineOf = (condition: JudgedReceptacle['condition']): string =>
  headlines[condition] ?? (condition === 'undetermined' ? 'Undetermined' : conditions[condition].name);

/**
 * The verdict on the lamps as the engine refines it, with all that was read there and on its circuit. What lamps say
 * by themselves stays where the engine agrees; a warning to stop is never taken back.
 */
export function refinedVerdict(byLamps: Verdict | null, judged: JudgedReceptacle): Verdict {
  const { condition } = judged;
  const known = condition === 'undetermined' ? null : conditions[condition];
  const agrees = byLamps !== null && known !== null && byLamps.readsAs[0] === condition;
  const notRuledOut = [...judged.notRuledOut];
  return {
    kind: 'verdict',
    signature: byLamps?.signature ?? 'dim',
    readsAs: condition === 'undetermined' ? [] : [condition],
    headline: agrees ? byLamps.headline : headlineOf(condition),
    why: agrees
      ? byLamps.why
      : (known?.why ?? 'The readings fit conditions of different danger about equally well.'),
    correction: agrees
      ? byLamps.correction
      : (known?.correction ??
        'Take the next test before anything is written; until then treat it as dangerous.'),
    urgency: known === null ? 'repair' : known.urgency,
    plain: condition === 'correct' && (byLamps?.plain ?? true),
    alsoFits: agrees ? byLamps.alsoFits : [],
    notRuledOut,
    contacts: judged.contacts,
    next: byLamps?.next ?? null,
    practice: agrees ? byLamps.practice : null,
    stop: byLamps?.stop ?? null,
    cautions: [...new Set([...(byLamps?.cautions ?? []), ...(known?.cautions ?? [])])],
  };
}
