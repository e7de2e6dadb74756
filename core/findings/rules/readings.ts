import {
  type AssessedReceptacle,
  type CauseAt,
  placeCode,
  pressingDoubtOf,
  type Verdict,
} from '../../assessment/index.ts';
import {
  type CautionId,
  type ConditionId,
  conditionIds,
  conditions,
  urgencyRank,
} from '../../knowledge/index.ts';
import { type House, receptaclesOf } from '../../log/index.ts';
import { behindCoversOf, evidenceAt } from '../evidence.ts';
import { openFirstFor, type Proposal } from '../finding.ts';
import type { FindingLanguage } from '../finding-words.ts';
import { correctWithoutGround } from './correct-without-ground.ts';
import type { JudgedHouse, Rule } from './rule.ts';
import { ungroundedSystem } from './ungrounded-system.ts';

/** Cautions of nearly every finding: they stand at the end of the report, not in each. */
const onceForTheHouse: readonly CautionId[] = ['contacts', 'box'];

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

function whatOf(
  { verdict, judged }: Read,
  leading: ConditionId | undefined,
  isSuspected: boolean,
  { conditions: of, readingFindings }: FindingLanguage,
): string {
  if (leading !== undefined) return isSuspected ? readingFindings.suspected(leading) : of[leading].what;
  return verdict.alsoFits.length > 0 || judged === null
    ? readingFindings.dim
    : readingFindings.mayBe([...new Set(judged.explanations.map(({ condition }) => condition))]);
}

/** Another explanation that makes a finding more pressing than what it reads as. */
function raisedBy({ verdict: { urgency, readsAs }, judged }: Read): ConditionId | null {
  const [leading] = readsAs;
  return leading === undefined || judged === null || conditions[leading].urgency === urgency
    ? null
    : pressingDoubtOf(judged);
}

function causeWords(house: House, cause: CauseAt, words: FindingLanguage): NonNullable<Proposal['cause']> {
  const { faults, place } = cause;
  const names = new Map(receptaclesOf(house).map(({ id, name }) => [id, name]));
  return {
    words: words.cause(faults),
    where: place === null ? '' : words.place(place, (id) => names.get(id) ?? id),
    place: place === null ? null : placeCode(place),
  };
}

function proposalOf(key: string, group: readonly Read[], { house, practice, words }: JudgedHouse): Proposal {
  // The most dangerous of what one cause does gives the finding its words, the most pressing its urgency.
  const byDanger = group.toSorted((a, b) => danger(a) - danger(b)) as [Read, ...Read[]];
  const [worst] = byDanger;
  const [pressing] = byDanger.toSorted(
    (a, b) => urgencyRank(a.verdict.urgency) - urgencyRank(b.verdict.urgency),
  ) as [Read, ...Read[]];
  const { verdict, cause } = worst;
  const [reads] = verdict.readsAs;
  // What reads correct is a finding for what it may hide.
  const hidden = reads === 'correct' && worst.judged !== null ? pressingDoubtOf(worst.judged) : null;
  const leading = hidden ?? reads;
  const what = whatOf(worst, leading, hidden !== null, words);
  const { headline, why, correction } = words.verdict(verdict);
  const raised = raisedBy(pressing);
  const isBeyond = cause !== null && beyondOnePoint(cause.circuit.receptacles, cause.receptacles);
  const first = group[0]?.receptacle.name ?? '';
  const own = group.flatMap(({ judged }) => (judged === null ? [] : [judged.probability]));
  return {
    key,
    code: verdict.code,
    urgency: pressing.verdict.urgency ?? 'note',
    headline,
    what: isBeyond ? [what, words.readingFindings.beyond(first)].join(' ') : what,
    why,
    correction: (leading === undefined ? undefined : practice.corrections[leading]) ?? correction,
    by: 'electrician',
    verdict,
    condition: leading ?? null,
    isSuspected: hidden !== null,
    urgencyReason: raised === null ? null : words.readingFindings.raisedBy(raised),
    openFirst: leading === undefined ? words.readingFindings.openFirst : openFirstFor(leading, house, words),
    retest: leading === undefined ? words.readingFindings.retest : words.conditions[leading].retest,
    cautions: verdict.cautions.filter((id) => !onceForTheHouse.includes(id)).map((id) => words.cautions[id]),
    receptacles: group.map(({ receptacle: { id, name } }) => ({ id, name })),
    evidence: [
      ...group.flatMap(({ receptacle }) => evidenceAt(receptacle, words)),
      ...(cause === null ? [] : behindCoversOf(house, cause, words)),
    ],
    cause: cause === null ? null : causeWords(house, cause, words),
    // How sure one may be of what is undetermined is not said.
    probability:
      leading === undefined ? null : (cause?.probability ?? (own.length === 0 ? null : Math.min(...own))),
    // Of what is held at one of them another may leave open no more than that.
    notRuledOut: [...new Set(group.flatMap((one) => one.verdict.notRuledOut))].filter(
      (id) => hidden !== null || id !== leading,
    ),
  };
}

/** Rules whose receptacles need no other finding for what they read. */
const whole: readonly Rule[] = [ungroundedSystem, correctWithoutGround];

/** What testers showed: one finding a cause, or for all that read alike. */
export function readings(judged: JudgedHouse): readonly Proposal[] {
  const { receptacles } = judged.assessment;
  const inOtherFindings = new Set(
    whole.flatMap((rule) => rule(judged)).flatMap((one) => one.receptacles.map(({ id }) => id)),
  );
  const groups = new Map<string, Read[]>();
  for (const one of receptacles.values()) {
    if (!isRead(one) || one.verdict.urgency === null || inOtherFindings.has(one.receptacle.id)) continue;
    const key = keyOf(one);
    groups.set(key, [...(groups.get(key) ?? []), one]);
  }
  return [...groups].map(([key, group]) => proposalOf(key, group, judged));
}
