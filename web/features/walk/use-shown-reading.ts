'use client';

import {
  type Assessment,
  assessDraft,
  type JudgedCause,
  type JudgedReceptacle,
  type Verdict,
  wrongBefore,
} from '@fair-plug/core/assessment';
import { type LampState, type Lamps, lampsOf, type Pair } from '@fair-plug/core/instruments';
import type { ConditionId, Danger } from '@fair-plug/core/knowledge';
import { currentLamps, isTested } from '@fair-plug/core/log';
import { useMemo } from 'react';
import { useDrawn } from '@/components/use-drawn';
import { useOwnStorage } from '@/local/use-own-storage';
import type { Here } from './use-current-place';

/** What is shown at the place where the walk stands, and what it comes to. */
export interface ShownReading {
  /** The draft, else the current reading. */
  readonly lamps: Lamps | null;
  readonly verdict: Verdict | null;
  /** What the engine makes of all that was read here; null until it has answered to the latest reading. */
  readonly judged: JudgedReceptacle | null;
  /** The cause on its circuit that takes it along. */
  readonly cause: JudgedCause | null;
  /** Why people must be kept away. */
  readonly danger: Danger | null;
  /** The engine's next test; none where people are kept away. */
  readonly next: JudgedReceptacle['next'];
  /** What it read as before, where it reads correct now; null where it did not, or lamps are being entered. */
  readonly wrongBefore: ConditionId | null;
  /** The lamps were changed and not recorded. */
  readonly isDraft: boolean;
  readonly isRead: boolean;
  readonly toggle: (pair: Pair) => void;
  readonly discard: () => void;
}

interface Draft {
  readonly place: string;
  readonly lamps: Lamps;
}

const unread = { verdict: null, danger: null };
const nextState: Readonly<Record<LampState, LampState>> = { off: 'lit', lit: 'dim', dim: 'off' };
const isSame = (a: Lamps, b: Lamps): boolean => a.hn === b.hn && a.hg === b.hg && a.ng === b.ng;

/** The reading at a place, or the draft of one, which outlives the tab. */
export function useShownReading(job: string, assessment: Assessment, { receptacle, currentPlace }: Here) {
  const [draft, setDraft] = useOwnStorage<Draft | null>(`draft ${job}`, null);
  const place = `${currentPlace?.room} ${currentPlace?.receptacle}`;
  const drafted = draft?.place === place ? draft.lamps : null;
  const lamps = drafted ?? (receptacle === null ? null : currentLamps(receptacle));
  const assessed = receptacle === null ? undefined : assessment.receptacles.get(receptacle.id);
  const draftAssessed = useMemo(
    () => (drafted === null ? null : assessDraft(receptacle, drafted)),
    [receptacle, drafted],
  );
  const { verdict, danger } = draftAssessed ?? assessed ?? unread;
  const judged = draftAssessed === null ? (assessed?.judged ?? null) : null;
  const before = useMemo(
    () => (assessed === undefined ? null : (wrongBefore(assessed, assessment)?.condition ?? null)),
    [assessed, assessment],
  );
  const shown: ShownReading = {
    lamps,
    verdict,
    judged,
    cause: judged === null ? null : (assessed?.cause ?? null),
    danger,
    next: danger === null ? (judged?.next ?? null) : null,
    wrongBefore: drafted === null ? before : null,
    isDraft: drafted !== null,
    isRead: receptacle !== null && isTested(receptacle),
    toggle: useDrawn((pair: Pair): void => {
      const before = lamps ?? lampsOf('none');
      setDraft({ place, lamps: { ...before, [pair]: nextState[before[pair]] } });
    }),
    discard: () => setDraft(null),
  };
  return {
    shown,
    /** Shows lamps here that are not read yet. */
    propose: (proposed: Lamps): void => setDraft({ place, lamps: proposed }),
    /** Lamps that were read are no draft any more. */
    settle: (read: Lamps): void =>
      setDraft((current) => (current !== null && isSame(current.lamps, read) ? null : current)),
  };
}
