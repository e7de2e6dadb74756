import type { FindingAdded, FindingDecided, FindingEntry, Held } from '../log/index.ts';
import { currentKey } from './old-keys.ts';

export type FindingStatus = 'open' | 'accepted' | 'refused';

/** What was decided on one finding. */
export interface Decisions {
  status: FindingStatus;
  /** Two people decided differently, and nobody has decided since. */
  isAtOdds: boolean;
  /** Who decided last. */
  by: string | null;
  reason: string | null;
  held: Held | null;
  edits: Record<string, unknown>;
  added: FindingAdded | null;
  splitFrom: { readonly key: string; readonly receptacles: ReadonlySet<string> } | null;
  /** Receptacles that became findings of their own. */
  apart: Set<string>;
  into: string | null;
}

export const undecided = (): Decisions => ({
  status: 'open',
  isAtOdds: false,
  by: null,
  reason: null,
  held: null,
  edits: {},
  added: null,
  splitFrom: null,
  apart: new Set(),
  into: null,
});

const editable = ['urgency', 'headline', 'what', 'why', 'correction', 'by', 'note'] as const;

/**
 * Who refuses what somebody else accepted, or the other way round, did not know of it: whoever knows takes the decision
 * back first. Then it is as open as before, and what may be a danger stays in the report.
 */
function decide(decisions: Decisions, entry: FindingDecided): void {
  const { status, by } = decisions;
  const isAtOdds =
    status !== 'open' && entry.decision !== 'open' && entry.decision !== status && entry.author !== by;
  decisions.isAtOdds = isAtOdds;
  decisions.status = isAtOdds ? 'open' : entry.decision;
  decisions.by = entry.author;
  decisions.held = entry.decision === 'open' ? null : entry.held;
  if (entry.decision === 'refused') decisions.reason = entry.reason;
  else if (!isAtOdds) decisions.reason = null;
}

/** What the log says of each finding, by key, and the order asked for last. */
export function replayed(entries: readonly FindingEntry[]) {
  const byKey = new Map<string, Decisions>();
  let order: readonly string[] = [];
  const of = (old: string): Decisions => {
    const key = currentKey(old);
    const decisions = byKey.get(key) ?? undecided();
    byKey.set(key, decisions);
    return decisions;
  };
  for (const entry of entries)
    switch (entry.kind) {
      case 'finding-decided':
        decide(of(entry.finding), entry);
        break;
      case 'finding-edited': {
        const { edits } = of(entry.finding);
        for (const field of editable) {
          const value = entry[field];
          if (value === null) delete edits[field];
          else if (value !== undefined) edits[field] = value;
        }
        break;
      }
      case 'finding-added':
        of(entry.finding).added = entry;
        break;
      case 'finding-split': {
        const from = of(entry.finding);
        for (const id of entry.receptacles) from.apart.add(id);
        of(entry.part).splitFrom = {
          key: currentKey(entry.finding),
          receptacles: new Set(entry.receptacles),
        };
        break;
      }
      case 'finding-merged':
        of(entry.finding).into = entry.into === null ? null : currentKey(entry.into);
        break;
      case 'findings-ordered':
        order = entry.findings.map(currentKey);
        break;
    }
  return { byKey, order };
}
