import type { Reading } from '../instruments/index.ts';
import {
  type ConditionId,
  conditionIds,
  conditions,
  type Fit,
  type TestKind,
  urgencyRank,
} from '../knowledge/index.ts';
import type { Receptacle } from '../log/index.ts';
import { readingsOf } from './circuits.ts';
import type { JudgedReceptacle } from './judged.ts';
import type { Verdict } from './lamp-verdict.ts';

/** True where something is read there, and the engine answered to that, not to what was read before. */
export const isJudgedAsRead = (judged: JudgedReceptacle, receptacle: Receptacle): boolean =>
  judged.table.length > 0 && judgedBy(judged) === readAt(receptacle);

/** The same receptacle is asked about at every reading of a house: its text is made once. */
function remembering<T extends object>(textOf: (one: T) => string): (one: T) => string {
  const known = new WeakMap<T, string>();
  return (one) => {
    const text = known.get(one) ?? textOf(one);
    known.set(one, text);
    return text;
  };
}

const judgedBy = remembering(({ table }: JudgedReceptacle) =>
  JSON.stringify(table.map(({ reading }) => reading)),
);
const readAt = remembering((receptacle: Receptacle) => JSON.stringify(readingsOf(receptacle)));

/**
 * A doubt as probable as this makes the whole as urgent as it is itself. Measured (docs/accuracy.md, “Doubts about what
 * reads correct”): from here on one in 500 sound receptacles is reported and one report in eight is right; from 0.02 on
 * it would be one in three and one in twenty.
 */
const pressingDoubt = 0.1;

/** What is probable enough to press, beside what is held: the most pressing, then the most dangerous. */
export function pressingDoubtOf({
  explanations,
  condition,
  notRuledOut,
  doubts,
}: JudgedReceptacle): ConditionId | null {
  // By all that comes to it, which may be more than what is listed.
  const probable = new Map(notRuledOut.map((id, index) => [id, doubts[index] ?? 0]));
  const listed = new Map<ConditionId, number>();
  for (const { condition: other, probability } of explanations)
    listed.set(other, (listed.get(other) ?? 0) + probability);
  for (const [id, probability] of listed) probable.set(id, Math.max(probable.get(id) ?? 0, probability));
  const ranked = conditionIds
    .filter((id) => id !== condition && (probable.get(id) ?? 0) >= pressingDoubt)
    .sort((a, b) => urgencyRank(conditions[a].urgency) - urgencyRank(conditions[b].urgency));
  return ranked.find((id) => conditions[id].urgency !== null) ?? null;
}

/** What the lamps leave open is settled by such a reading, or was. */
const settles: Readonly<Record<TestKind, (reading: Reading) => boolean>> = {
  probe: ({ instrument }) => instrument === 'probe',
  meter: ({ instrument }) => instrument === 'meter' || instrument === 'meter-low',
  'lamps-loads-off': ({ instrument, state }) => instrument === 'lamps' && state?.loadsOff === true,
  // That is tried elsewhere.
  'prove-tester': () => false,
};

const settleFor = (byLamps: Verdict | null, { table }: JudgedReceptacle): TestKind | null => {
  const settle = byLamps?.settle ?? null;
  return settle !== null && table.some(({ reading }) => settles[settle](reading)) ? null : settle;
};

/** Of what shows the same lamps, what the engine has not ruled out. */
const stillFitting = (
  { alsoFits }: Verdict,
  condition: ConditionId,
  notRuledOut: readonly ConditionId[],
): readonly Fit[] =>
  alsoFits.filter((fit) =>
    fit.conditions.every((id) => id === condition || !conditions[id].dangerous || notRuledOut.includes(id)),
  );

/**
 * The verdict on the lamps as the engine refines it, with all that was read there and on its circuit. What lamps say
 * by themselves stays where the engine agrees; a warning to stop is never taken back.
 */
export function refinedVerdict(byLamps: Verdict | null, judged: JudgedReceptacle): Verdict {
  // What is correct only if an instrument does not work is not called so before that instrument was tried.
  const hangsOnInstrument =
    judged.condition === 'correct' && (judged.explanations[0]?.instruments ?? []).length > 0;
  const condition = hangsOnInstrument ? 'undetermined' : judged.condition;
  // What lamps warn of stands, whatever other readings make of it.
  if (byLamps !== null && byLamps.stop !== null && condition === 'correct')
    return { ...byLamps, notRuledOut: [...new Set([...byLamps.notRuledOut, ...judged.notRuledOut])] };
  const known = condition === 'undetermined' ? null : conditions[condition];
  const agreed = byLamps !== null && byLamps.readsAs[0] === condition ? byLamps : null;
  const notRuledOut = [...judged.notRuledOut];
  const doubt = pressingDoubtOf(judged);
  const own = known === null ? 'repair' : known.urgency;
  const urgency =
    doubt !== null && urgencyRank(conditions[doubt].urgency) < urgencyRank(own)
      ? conditions[doubt].urgency
      : own;
  // Neighbours may give cause to doubt what reads correct by itself.
  const hidden = condition === 'correct' && urgency !== null ? doubt : null;
  return {
    kind: 'verdict',
    signature: byLamps?.signature ?? 'dim',
    readsAs: condition === 'undetermined' ? [] : [condition],
    code: hidden !== null ? `may-hide-${hidden}` : (agreed?.code ?? condition),
    urgency,
    plain: condition === 'correct' && hidden === null && (byLamps?.plain ?? true),
    alsoFits:
      agreed === null || condition === 'undetermined' ? [] : stillFitting(agreed, condition, notRuledOut),
    notRuledOut,
    contacts: judged.contacts,
    settle: settleFor(byLamps, judged),
    stop: byLamps?.stop ?? null,
    cautions: [...new Set([...(byLamps?.cautions ?? []), ...(known?.cautions ?? [])])],
  };
}
