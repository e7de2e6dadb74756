import type { Finding } from '@fair-plug/core/findings';
import type { Practice } from '@fair-plug/core/knowledge';
import { Button } from '@mantine/core';
import { type ReactNode, useState } from 'react';
import { FindingArticle } from '@/components/finding-article';
import { RefuseForm } from '@/components/refuse-form';
import { useWords } from '@/components/region-words';
import { Sheet } from '@/components/sheet';
import type { Decisions } from '@/components/use-decisions';
import { useKeys } from '@/components/use-keys';
import { FindingEdit } from './finding-edit';
import classes from './findings.module.css';
import { MergeForm, SplitForm } from './merge-and-split';

/** A sentence of somebody's own, with a full stop where it has none. */
const ended = (words: string): string => (/[.!?…]$/.test(words) ? words : `${words}.`);

export interface FindingDetailProps {
  readonly job: string;
  readonly finding: Finding;
  readonly others: readonly Finding[];
  /** Those that are reported as part of it. */
  readonly parts: readonly Finding[];
  readonly practice: Practice;
  /** null for readers. */
  readonly decisions: Decisions | null;
  readonly onAccept: () => void;
  readonly photos: ReactNode;
}

type Opened = 'refuse' | 'merge' | 'split' | 'edit' | null;

const titles = {
  refuse: 'Refuse this finding',
  merge: 'Report as part of another',
  split: 'Split off receptacles',
  edit: 'In your own words',
} as const;

/** One finding: as it will stand in the report, and what can be decided on it. */
export function FindingDetail({
  job,
  finding,
  others,
  parts,
  practice,
  decisions,
  onAccept,
  photos,
}: FindingDetailProps) {
  const words = useWords();
  const [opened, open] = useState<Opened>(null);
  const close = (): void => open(null);
  const { status, isAtOdds, flags, proposal, reason } = finding;
  const unlessReader = (what: Opened) => () => {
    if (decisions !== null) open(what);
  };
  useKeys([
    ['E', unlessReader('edit')],
    ['X', unlessReader('refuse')],
  ]);
  return (
    <section className={classes.detail} aria-label="Current finding">
      {decisions !== null && (
        <DecisionButtons
          finding={finding}
          canMerge={others.length > 0}
          decisions={decisions}
          onAccept={onAccept}
          onOpen={open}
        />
      )}
      {status === 'refused' && (
        <p className={classes.notice}>
          <strong>Refused:</strong> {ended(reason ?? '')} {words.screens.findings.refusedAt}
        </p>
      )}
      {isAtOdds === true && (
        <p className={classes.notice} role="status">
          <strong>Two people decided differently:</strong> one accepted it, the other refused it (“{reason}”).
          It stands in the report until one of you decides again.
        </p>
      )}
      {flags.length > 0 && (
        <div className={classes.notice} role="status">
          <p>
            <strong>What is known since departs from what was accepted.</strong> Nothing was changed.
          </p>
          <ul>
            {flags.map(({ kind, words }) => (
              <li key={`${kind} ${words}`}>{words}</li>
            ))}
          </ul>
          {decisions !== null && proposal !== null && (
            <Button size="sm" variant="default" onClick={() => decisions.renew(finding)}>
              Take over what is read now
            </Button>
          )}
        </div>
      )}
      <Changed finding={finding} />
      <FindingArticle finding={finding} practice={practice} isOpen>
        {photos}
      </FindingArticle>
      {parts.length > 0 && (
        <div className={classes.parts}>
          <h3>Reported as part of it</h3>
          <ul>
            {parts.map((part) => (
              <li key={part.key}>
                {part.headline}{' '}
                {decisions !== null && (
                  <Button size="compact-sm" variant="default" onClick={() => decisions.merge(part, null)}>
                    Take apart
                  </Button>
                )}
              </li>
            ))}
          </ul>
        </div>
      )}
      {opened !== null && decisions !== null && (
        <DecisionSheet
          job={job}
          finding={finding}
          others={others}
          decisions={decisions}
          opened={opened}
          onClose={close}
        />
      )}
    </section>
  );
}

interface DecisionButtonsProps {
  readonly finding: Finding;
  readonly canMerge: boolean;
  readonly decisions: Decisions;
  readonly onAccept: () => void;
  readonly onOpen: (what: Opened) => void;
}

/** What can be decided on a finding as it stands. */
function DecisionButtons({ finding, canMerge, decisions, onAccept, onOpen }: DecisionButtonsProps) {
  const { status, isOwn, receptacles } = finding;
  return (
    <div className={classes.actions}>
      {status === 'open' && (
        <Button onClick={onAccept} aria-keyshortcuts="A">
          Accept <kbd>A</kbd>
        </Button>
      )}
      <Button variant="default" onClick={() => onOpen('edit')} aria-keyshortcuts="E">
        Edit <kbd>E</kbd>
      </Button>
      {status !== 'refused' && !isOwn && (
        <Button variant="default" onClick={() => onOpen('refuse')} aria-keyshortcuts="X">
          Refuse <kbd>X</kbd>
        </Button>
      )}
      {status !== 'open' && !isOwn && (
        <Button variant="default" onClick={() => decisions.reopen(finding)}>
          Decide again
        </Button>
      )}
      {canMerge && (
        <Button variant="default" onClick={() => onOpen('merge')}>
          Merge …
        </Button>
      )}
      {receptacles.length > 1 && (
        <Button variant="default" onClick={() => onOpen('split')}>
          Split …
        </Button>
      )}
    </div>
  );
}

interface DecisionSheetProps extends Pick<FindingDetailProps, 'job' | 'finding' | 'others'> {
  readonly decisions: Decisions;
  readonly opened: NonNullable<Opened>;
  readonly onClose: () => void;
}

/** The form of a decision that needs more than a press. */
function DecisionSheet({ job, finding, others, decisions, opened, onClose }: DecisionSheetProps) {
  return (
    <Sheet opened title={titles[opened]} onClose={onClose}>
      {opened === 'refuse' && (
        <RefuseForm
          draftedAs={`refusal ${job} ${finding.key}`}
          onRefuse={(why) => {
            decisions.refuse(finding, why);
            onClose();
          }}
        />
      )}
      {opened === 'merge' && (
        <MergeForm
          others={others}
          onMerge={(into) => {
            decisions.merge(finding, into);
            onClose();
          }}
        />
      )}
      {opened === 'split' && (
        <SplitForm
          receptacles={finding.receptacles}
          onSplit={(apart) => {
            decisions.split(finding, apart);
            onClose();
          }}
        />
      )}
      {opened === 'edit' && (
        <FindingEdit
          job={job}
          finding={finding}
          onEdit={(edit) => {
            decisions.edit(finding, edit);
            onClose();
          }}
        />
      )}
    </Sheet>
  );
}

const fieldWords = {
  headline: 'Headline',
  what: 'What',
  why: 'Why it matters',
  correction: 'Correction',
} as const;

/** The engine's word beside what was made of it. */
function Changed({ finding }: { readonly finding: Finding }) {
  const changed = (Object.keys(fieldWords) as (keyof typeof fieldWords)[]).filter(
    (field) => finding.edits[field] !== undefined,
  );
  if (changed.length === 0) return null;
  return (
    <details className={classes.changed}>
      <summary>Worded by hand: {changed.map((field) => fieldWords[field].toLowerCase()).join(', ')}</summary>
      <dl>
        {changed.map((field) => (
          <div key={field}>
            <dt>{fieldWords[field]}, as proposed</dt>
            <dd>{finding.original[field]}</dd>
          </div>
        ))}
      </dl>
    </details>
  );
}
