import type { Finding } from '../findings/index.ts';
import { type ConditionId, conditions, type Look, looks, type Urgency } from '../knowledge/index.ts';
import { pointsOf } from '../log/index.ts';
import type { OwnerTexts, Topic } from './owner-texts.ts';
import type { Report, ReportLine } from './report.ts';

export interface OwnerItem {
  readonly number: number;
  readonly headline: string;
  readonly why: string;
  /** Names of the receptacles; empty where it is of the house. */
  readonly where: string;
  readonly who: string;
}

export interface OwnerGroup {
  readonly urgency: Urgency;
  readonly heading: string;
  readonly lead: string;
  /** Said where the group is empty. */
  readonly none: string;
  readonly items: readonly OwnerItem[];
}

/** One page for the owner: what is dangerous today, what to repair, what is fine, what could not be seen. */
export interface OwnerPage {
  readonly language: string;
  readonly title: string;
  readonly groups: readonly OwnerGroup[];
  readonly fine: { readonly heading: string; readonly words: readonly string[] };
  readonly unseen: { readonly heading: string; readonly words: readonly string[] };
  readonly closing: string;
}

const isLook = (name: string): name is Look => looks.some((look) => look === name);

/** What a finding is about, as far as a language has words for it; null where only its own words say it. */
export function topicOf({
  key,
  condition,
  isOwn,
}: Pick<Finding, 'key' | 'condition' | 'isOwn'>): Topic | null {
  if (isOwn) return null;
  const seen = key.startsWith('seen-') ? key.slice(5) : '';
  if (isLook(seen)) return { kind: 'look', id: seen };
  if (key.startsWith('house-protection')) return { kind: 'house', id: 'house-protection' };
  if (key.startsWith('house-')) return { kind: 'house', id: key };
  if (key.startsWith('panel-')) return { kind: 'house', id: 'panel' };
  // What is of one spot or one switch is named by what it is.
  const [kind = ''] = key.split(':');
  if (kind === 'heat' || kind.startsWith('point-')) return { kind: 'house', id: kind };
  if (key === 'box-push-in' || key === 'box-nicked' || key === 'halves-differ')
    return { kind: 'house', id: key };
  if (key.startsWith('labels-')) return { kind: 'house', id: 'labels-missing' };
  return condition === null ? null : { kind: 'condition', id: condition };
}

function itemOf(finding: Finding, texts: OwnerTexts): OwnerItem {
  const topic = topicOf(finding);
  const words = topic === null ? null : texts.topic(topic);
  const { edits, isSuspected } = finding;
  return {
    number: finding.number,
    headline:
      edits.headline ??
      (words === null ? finding.headline : isSuspected ? texts.suspected(words.headline) : words.headline),
    why: edits.why ?? words?.why ?? finding.why,
    where: finding.receptacles.map(({ name }) => name).join(', '),
    who: texts.worker[finding.by],
  };
}

/** Of a dangerous state, or of readings that leave it open whether it is one. */
const mayBeDangerous = ({ condition, proposal }: Finding): boolean =>
  condition === null ? (proposal?.verdict ?? null) !== null : conditions[condition].dangerous;

/** Whatever was made of the findings: people are kept away from it, or what was read leaves a danger open. */
const readsDangerous = ({ danger, verdict, refused }: ReportLine): boolean =>
  refused === null && (danger !== null || verdict?.readsAs.length === 0);

export function ownerPageOf(report: Report, texts: OwnerTexts): OwnerPage {
  const { summary, coverage, notSeen, findings } = report;
  const isDangerous =
    findings.some(mayBeDangerous) || report.rooms.some(({ lines }) => lines.some(readsDangerous));
  const group = (urgency: Urgency): OwnerGroup => ({
    urgency,
    ...texts.groups[urgency],
    ...(urgency === 'act-now' && isDangerous ? { none: texts.dangerousAllTheSame } : {}),
    items: findings.filter((one) => one.urgency === urgency).map((one) => itemOf(one, texts)),
  });
  const untested = coverage.expected - coverage.tested;
  const hidden: readonly ConditionId[] = notSeen;
  return {
    language: texts.language,
    title: texts.title,
    groups: [group('act-now'), group('repair'), group('note')],
    fine: {
      heading: texts.fine.heading,
      words: [
        texts.fine.count(summary.readCorrect, summary.tested),
        ...(summary.readCorrect > 0 ? [texts.fine.limit] : []),
      ],
    },
    unseen: {
      heading: texts.unseen.heading,
      words: [
        untested > 0
          ? texts.unseen.untested(untested, coverage.expected)
          : texts.unseen.allTested(coverage.expected),
        ...(hidden.length > 0
          ? [texts.unseen.hidden(hidden.map((id) => texts.topic({ kind: 'condition', id })?.headline ?? id))]
          : []),
        texts.unseen.walls({ switches: pointsOf(report.house).length > 0 }),
      ],
    },
    closing: texts.closing,
  };
}
