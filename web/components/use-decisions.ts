import { type Finding, heldOf, type Proposal, type Wording } from '@fair-plug/core/findings';
import type { FindingEntry, JobEntryOf, JobStatement } from '@fair-plug/core/log';
import { useMemo } from 'react';
import { v7 } from 'uuid';
import type { Recorder } from '@/local/use-recorder';
import { type Move, moved } from './sortable-list';

type Held = Extract<JobEntryOf<'finding-decided'>, { decision: 'accepted' }>['held'];
/** Fields of a finding in somebody's own words; null gives the engine's back. */
export type Edit = { readonly [K in keyof Wording]?: Wording[K] | null } & { readonly note?: string | null };

export interface Decisions {
  readonly accept: (finding: Finding) => void;
  /** All of them in one action. */
  readonly acceptAll: (findings: readonly Finding[]) => void;
  readonly refuse: (finding: Finding, reason: string) => void;
  readonly reopen: (finding: Finding) => void;
  /** Taking over what was read since, the edits kept. */
  readonly renew: (finding: Finding) => void;
  readonly edit: (finding: Finding, edit: Edit) => void;
  readonly merge: (finding: Finding, into: string | null) => void;
  readonly split: (finding: Finding, receptacles: readonly string[]) => void;
  /** `shown`: the keys in the order in which they were shown. */
  readonly move: (shown: readonly string[], move: Move) => void;
  readonly add: (wording: Wording, receptacles: readonly string[]) => void;
}

/** What was taken over before, where the engine proposes nothing any more. */
const standingOf = (finding: Finding): Held => ({
  ...finding.original,
  condition: finding.condition,
  receptacles: finding.receptacles.map(({ id }) => id),
  where: finding.proposal?.cause?.where || null,
});

const held = (finding: Finding): Held =>
  finding.proposal === null ? standingOf(finding) : heldOf(finding.proposal as Proposal);

const accepted = (finding: Finding): JobStatement => ({
  kind: 'finding-decided',
  finding: finding.key,
  decision: 'accepted',
  held: held(finding),
});

const reopened = ({ key }: Finding): JobStatement => ({
  kind: 'finding-decided',
  finding: key,
  decision: 'open',
});

/** Who decides otherwise knows what was decided, and takes it back: without that it is two people who did not know of each other. */
const takenBack = (finding: Finding, decision: 'accepted' | 'refused'): readonly JobStatement[] =>
  finding.status === 'open' || finding.status === decision ? [] : [reopened(finding)];

/** The keys that were shown, in the order that was chosen last; those that it leaves out keep theirs, behind. */
function orderedSince(shown: readonly string[], said: readonly FindingEntry[]): readonly string[] {
  const latest = said.findLast((entry) => entry.kind === 'findings-ordered');
  if (latest?.kind !== 'findings-ordered') return shown;
  const chosen = latest.findings.filter((key) => shown.includes(key));
  return [...chosen, ...shown.filter((key) => !chosen.includes(key))];
}

/** Decisions on findings, each kept as an entry; null for those who only read. */
export function useDecisions(record: Recorder | null): Decisions | null {
  return useMemo(() => {
    if (record === null) return null;
    return {
      accept: (finding) => record(accepted(finding)),
      acceptAll: (findings) => record(...findings.map(accepted)),
      refuse: (finding, reason) =>
        record(...takenBack(finding, 'refused'), {
          kind: 'finding-decided',
          finding: finding.key,
          decision: 'refused',
          reason,
          held: held(finding),
        }),
      reopen: (finding) => record(reopened(finding)),
      renew: (finding) => record(...takenBack(finding, 'accepted'), accepted(finding)),
      // Who words a finding takes it over: what is written stands on something, whatever is read later.
      edit: (finding, edit) =>
        record(...(finding.status === 'open' && !finding.isOwn ? [accepted(finding)] : []), {
          kind: 'finding-edited',
          finding: finding.key,
          ...edit,
        }),
      merge: ({ key }, into) => record({ kind: 'finding-merged', finding: key, into }),
      split: ({ key }, receptacles) =>
        record({ kind: 'finding-split', finding: key, part: `own ${v7()}`, receptacles: [...receptacles] }),
      move: (shown, move) =>
        record(({ house }) => [
          { kind: 'findings-ordered', findings: moved(orderedSince(shown, house.findingEntries), move) },
        ]),
      add: (wording, receptacles) =>
        record({ kind: 'finding-added', finding: `own ${v7()}`, ...wording, receptacles: [...receptacles] }),
    };
  }, [record]);
}
