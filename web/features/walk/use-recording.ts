'use client';

import { judgeByLamps } from '@fair-plug/core/assessment';
import type { Lamps } from '@fair-plug/core/instruments';
import {
  type House,
  type JobStatement,
  type ReceptacleFields,
  receptacleRedescribed,
} from '@fair-plug/core/log';
import { useCallback, useRef, useState } from 'react';
import { useWords } from '@/components/region-words';
import { useDrawn } from '@/components/use-drawn';
import { usePresses } from '@/components/use-presses';
import { type JobPart, useKeep } from '@/local/use-logs';
import { type CurrentPlace, nextInHand } from './walk-order';
import { describedAt, type Place } from './walk-place';

/** Words for what was recorded, or how they follow from the house afterwards. */
type WordsFor = string | ((house: House, receptacle: string) => string);

/** What is said of a receptacle, made from the house as it stands when it is kept. */
type About = (receptacle: string, house: House) => readonly JobStatement[];

/** What records in the walk, and how it went. */
export interface Recording {
  /** A reading is being kept. */
  readonly isBusy: boolean;
  /** The latest press was the second of the same key within half a second, and recorded nothing. */
  readonly isSlip: boolean;
  /** The latest action could not be stored, and why; null where it could. */
  readonly failure: string | null;
  readonly canKeep: boolean;
  /** True for a press that counts; that it does not is shown. `at`: the event's time stamp. */
  readonly counts: (key: string, at: number) => boolean;
  readonly lamps: (lamps: Lamps, at: number) => void;
  /** Statements on the receptacle at the place shown, which is described first where it is new. */
  readonly statement: (about: About, words: WordsFor, goesOn?: boolean) => void;
  /** How the receptacle at the place shown is described; what is not given stays as it is. */
  readonly fields: (fields: ReceptacleFields, words: string) => void;
  /** Statements on the house. */
  readonly ofHouse: (words: string, ...parts: readonly JobPart[]) => void;
  /** Another place was taken in hand: what is still being kept no longer leads on. */
  readonly moved: () => void;
}

export interface RecordingOptions {
  readonly job: string;
  readonly tester: string | null;
  /** null: no room yet. */
  readonly shownPlace: () => Place | null;
  /** Something is being kept at a place, with the reading where it is one. */
  readonly onBegun: (at: Place, read: Lamps | null) => void;
  /** It is kept; `to`: where the walk goes, null where it has gone elsewhere meanwhile. */
  readonly onKept: (words: string, to: CurrentPlace | null) => void;
  /** A reading of lamps no longer is a draft of its own. */
  readonly onRead: (read: Lamps) => void;
  readonly onNotice: (words: string) => void;
}

const notKept = 'Not kept: this device could not store it. Try again, or free some space.';

/**
 * Keeps what is pressed in the walk, one after another in the order of the presses, each at the place that the screen
 * showed then and with values from the house as it stands when its turn comes.
 */
export function useRecording(options: RecordingOptions): Recording {
  const words = useWords();
  const { job, tester, shownPlace, onBegun, onKept, onRead, onNotice } = options;
  const keep = useKeep();
  const isFirst = usePresses();
  const [beingKept, setBeingKept] = useState(0);
  const [isSlip, setSlip] = useState(false);
  const [failure, setFailure] = useState<string | null>(null);
  /** Counts presses and moves: only the latest of them decides where the walk goes. */
  const steps = useRef(0);

  const moved = useCallback(() => {
    steps.current += 1;
    setSlip(false);
    setFailure(null);
  }, []);

  const counts = useCallback(
    (key: string, at: number): boolean => {
      const isWanted = isFirst(key, at);
      setSlip(!isWanted);
      if (isWanted) setFailure(null);
      return isWanted;
    },
    [isFirst],
  );

  /** Keeps what is said at a place; the walk then goes on or stays there. Answers whether it could be kept. */
  const keepAt = (
    place: Place,
    statements: (house: House) => readonly JobStatement[],
    words: WordsFor,
    goesOn: boolean,
  ): Promise<boolean> => {
    if (keep === null) return Promise.resolve(false);
    steps.current += 1;
    const step = steps.current;
    const here: CurrentPlace = { room: place.room, receptacle: place.receptacle };
    return keep
      .inJob(job, ({ house }) => statements(house))
      .then(({ house }) => {
        const next = place.isNew ? { ...here, receptacle: null } : nextInHand(house, here);
        const to = goesOn ? next : here;
        onKept(
          typeof words === 'string' ? words : words(house, place.receptacle),
          step === steps.current ? to : null,
        );
        return true;
      })
      .catch(() => {
        setFailure(notKept);
        return false;
      });
  };

  const lamps = useDrawn((read: Lamps, at: number): void => {
    const place = shownPlace();
    if (keep === null || place === null || !counts(`${read.hn} ${read.hg} ${read.ng}`, at)) return;
    const verdict = judgeByLamps({ lamps: read });
    const { headline } = words.verdict(verdict);
    const by = tester === null ? {} : { tester };
    setBeingKept((count) => count + 1);
    onBegun(place, read);
    void keepAt(
      place,
      (house) => [
        ...describedAt(place, house),
        {
          kind: 'reading-taken',
          receptacle: place.receptacle,
          shown: { instrument: 'lamps', ...read },
          ...by,
        },
      ],
      `Recorded: ${place.name}, ${headline.toLowerCase()}`,
      verdict.plain,
    ).then((isKept) => {
      setBeingKept((count) => count - 1);
      // What could not be kept stays on screen, not recorded.
      if (isKept) onRead(read);
    });
  });

  const statement = useDrawn((about: About, words: WordsFor, goesOn?: boolean): void => {
    const place = shownPlace();
    if (keep === null || place === null) return;
    setSlip(false);
    setFailure(null);
    onBegun(place, null);
    const statements = (house: House) => [...describedAt(place, house), ...about(place.receptacle, house)];
    void keepAt(place, statements, words, goesOn === true);
  });

  const fields = useDrawn((given: ReceptacleFields, words: string): void => {
    const place = shownPlace();
    if (keep === null || place === null) return;
    setSlip(false);
    setFailure(null);
    onBegun(place, null);
    const statements = (house: House): readonly JobStatement[] => {
      const [added] = describedAt(place, house);
      return added === undefined
        ? receptacleRedescribed(house, place.receptacle, given)
        : [{ ...added, ...given }];
    };
    void keepAt(place, statements, words, false);
  });

  const ofHouse = useDrawn((words: string, ...parts: readonly JobPart[]): void => {
    setSlip(false);
    setFailure(null);
    void keep?.inJob(job, ...parts).then(
      () => onNotice(words),
      () => setFailure(notKept),
    );
  });

  return {
    isBusy: beingKept > 0,
    isSlip,
    failure,
    canKeep: keep !== null,
    counts,
    lamps,
    statement,
    fields,
    ofHouse,
    moved,
  };
}
