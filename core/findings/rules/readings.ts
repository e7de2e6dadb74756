import {
  type AssessedReceptacle,
  type JudgedReceptacle,
  pressingDoubtOf,
  type Verdict,
} from '../../assessment/index.ts';
import {
  type CautionId,
  type ConditionId,
  cautions,
  conditionIds,
  conditions,
} from '../../conditions/index.ts';
import type { Practice } from '../../corrections/index.ts';
import type { House } from '../../inspection/index.ts';
import { evidenceAt } from '../evidence.ts';
import { openFirstFor, type Proposal, seenOnly } from '../finding.ts';
import { correctWithoutGround } from './correct-without-ground.ts';
import type { JudgedHouse, Rule } from './rule.ts';
import { ungroundedSystem } from './ungrounded-system.ts';

/** Cautions of nearly every finding: they stand at the end of the report, not in each. */
const saidOnce: readonly CautionId[] = ['contacts', 'box'];

const dimLamp =
  'A lamp of the tester glowed dimly: the voltage across a pair of contacts is far from normal.';

/** A receptacle at which something was read. */
type Read = AssessedReceptacle & { readonly verdict: Verdict };

const isRead = (one: AssessedReceptacle): one is Read => one.verdict !== null;

/** Receptacles with the same key share a finding: those of one cause, else those that show alike. */
const keyOf = ({ verdict, cause }: Read): string =>
  cause === null
    ? `reads:${verdict.readsAs[0] ?? 'undetermined'}:${verdict.code}`
    : `cause:${cause.breaker}:${cause.id}`;

const danger = ({ verdict }: Read): number => conditionIds.indexOf(verdict.readsAs[0] ?? 'correct');

/** Everything from one receptacle to the end of the run shows it: one place upstream is to blame. */
const beyondOnePoint = (run: readonly string[], affected: readonly string[]): boolean =>
  affected.length > 1 && run.slice(-affected.length).every((id) => affected.includes(id));

/** What an undetermined receptacle may be, the most probable first. */
function mayBe({ explanations }: JudgedReceptacle): string {
  const names = [...new Set(explanations.map(({ condition }) => conditions[condition].name.toLowerCase()))];
  return names.length < 2
    ? 'No state of a circuit fits all that was read there.'
    : `What was read there fits more than one state: ${names.join(', ')}.`;
}

function whatOf({ verdict, judged }: Read, leading: ConditionId | undefined, isSuspected: boolean): string {
  if (leading === undefined) return verdict.alsoFits.length > 0 || judged === null ? dimLamp : mayBe(judged);
  const { what } = conditions[leading];
  return isSuspected ? `It reads correct; what was read around it makes another state likely: ${what}` : what;
}

/** Another explanation that makes a finding more pressing than what it reads as. */
function raisedBy({ verdict: { urgency, readsAs }, judged }: Read): string | null {
  const [leading] = readsAs;
  if (leading === undefined || judged === null || conditions[leading].urgency === urgency) return null;
  const doubt = pressingDoubtOf(judged);
  return doubt === null
    ? null
    : `${conditions[doubt].name} is probable enough to act on until it is ruled out. ${conditions[doubt].why}`;
}

function proposalOf(house: House, key: string, group: readonly Read[], practice: Practice): Proposal {
  // The most dangerous of what one cause does gives the finding its words.
  const [worst] = group.toSorted((a, b) => danger(a) - danger(b)) as [Read, ...Read[]];
  const { verdict, cause } = worst;
  const [reads] = verdict.readsAs;
  // What reads correct is a finding for what it may hide.
  const hidden = reads === 'correct' && worst.judged !== null ? pressingDoubtOf(worst.judged) : null;
  const leading = hidden ?? reads;
  const what = whatOf(worst, leading, hidden !== null);
  const isBeyond = cause !== null && beyondOnePoint(cause.circuit.receptacles, cause.receptacles);
  const first = group[0]?.receptacle.name;
  const own = group.flatMap(({ judged }) => (judged === null ? [] : [judged.probability]));
  return {
    key,
    code: verdict.code,
    urgency: verdict.urgency ?? 'note',
    headline: verdict.headline,
    what: isBeyond ? `${what} Everything from ${first} on shows it: one place is to blame.` : what,
    why: hidden === null ? verdict.why : conditions[hidden].why,
    correction: (leading === undefined ? undefined : practice.corrections[leading]) ?? verdict.correction,
    by: 'electrician',
    verdict,
    condition: leading ?? null,
    isSuspected: hidden !== null,
    urgencyReason: raisedBy(worst),
    openFirst: leading === undefined ? seenOnly.openFirst : openFirstFor(leading, house),
    retest: leading === undefined ? seenOnly.retest : conditions[leading].retest,
    cautions: verdict.cautions.filter((id) => !saidOnce.includes(id)).map((id) => cautions[id]),
    receptacles: group.map(({ receptacle: { id, name } }) => ({ id, name })),
    evidence: group.flatMap(({ receptacle }) => evidenceAt(receptacle)),
    cause: cause === null ? null : { words: cause.words, where: cause.where, place: cause.place },
    // How sure one may be of what is undetermined is not said.
    probability:
      leading === undefined ? null : (cause?.probability ?? (own.length === 0 ? null : Math.min(...own))),
    notRuledOut: [...new Set(group.flatMap((one) => one.verdict.notRuledOut))],
  };
}

/** Rules whose receptacles need no other finding for what they read. */
const whole: readonly Rule[] = [ungroundedSystem, correctWithoutGround];

/** What testers showed: one finding a cause, or for all that read alike. */
export function readings(judged: JudgedHouse): readonly Proposal[] {
  const { assessment, practice } = judged;
  const { house, receptacles } = assessment;
  const saidElsewhere = new Set(
    whole.flatMap((rule) => rule(judged)).flatMap((one) => one.receptacles.map(({ id }) => id)),
  );
  const groups = new Map<string, Read[]>();
  for (const one of receptacles.values()) {
    if (!isRead(one) || one.verdict.urgency === null || saidElsewhere.has(one.receptacle.id)) continue;
    const key = keyOf(one);
    groups.set(key, [...(groups.get(key) ?? []), one]);
  }
  return [...groups].map(([key, group]) => proposalOf(house, key, group, practice));
}
