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
import { type CurrentPlace, nextPlace } from './walk-order';
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
  /** Another place became current: what is still being kept no longer leads on. */
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

/** How the latest press went: whether it was a slip, could not be kept, or decides where the walk goes. */
function useLatestPress() {
  const isFirst = usePresses();
  const [isSlip, setSlip] = useState(false);
  const [failure, setFailure] = useState<string | null>(null);
  /** Counts presses and moves: only the latest of them decides where the walk goes. */
  const steps = useRef(0);
  const begin = useCallback(() => {
    setSlip(false);
    setFailure(null);
  }, []);
  const step = useCallback(() => {
    steps.current += 1;
    const own = steps.current;
    return { isLatest: () => own === steps.current };
  }, []);
  const moved = useCallback(() => {
    step();
    begin();
  }, [step, begin]);
  const counts = useCallback(
    (key: string, at: number): boolean => {
      const isWanted = isFirst(key, at);
      setSlip(!isWanted);
      if (isWanted) setFailure(null);
      return isWanted;
    },
    [isFirst],
  );
  const fail = useCallback(() => setFailure(notKept), []);
  return { isSlip, failure, begin, step, moved, counts, fail };
}

type LatestPress = ReturnType<typeof useLatestPress>;

/** Keeps what is said at a place; the walk then goes on or stays there, and is drawn once. `ended`: whether it could be kept. */
function keepAt(
  { job, onKept }: RecordingOptions,
  keep: NonNullable<ReturnType<typeof useKeep>>,
  latest: LatestPress,
  { place, statements, words, goesOn }: Recorded,
  ended: (isKept: boolean) => void = () => {},
): void {
  const step = latest.step();
  const here: CurrentPlace = { room: place.room, receptacle: place.receptacle };
  keep
    .inJobAtOnce(
      job,
      ({ house }) => statements(house),
      ({ house }) => {
        const next = place.isNew ? { ...here, receptacle: null } : nextPlace(house, here);
        const to = goesOn ? next : here;
        onKept(
          typeof words === 'string' ? words : words(house, place.receptacle),
          step.isLatest() ? to : null,
        );
        ended(true);
      },
    )
    .catch(() => {
      latest.fail();
      ended(false);
    });
}

/** What is recorded at a place. */
interface Recorded {
  readonly place: Place;
  readonly statements: (house: House) => readonly JobStatement[];
  readonly words: WordsFor;
  readonly goesOn: boolean;
}

/** How a receptacle is described, new or anew. */
const redescribed =
  (place: Place, given: ReceptacleFields) =>
  (house: House): readonly JobStatement[] => {
    const [added] = describedAt(place, house);
    return added === undefined
      ? receptacleRedescribed(house, place.receptacle, given)
      : [{ ...added, ...given }];
  };

/** A reading of the lamps at a place. */
const lampsAt =
  (place: Place, read: Lamps, tester: string | null) =>
  (house: House): readonly JobStatement[] => [
    ...describedAt(place, house),
    {
      kind: 'reading-taken',
      receptacle: place.receptacle,
      shown: { instrument: 'lamps', ...read },
      ...(tester === null ? {} : { tester }),
    },
  ];

/**
 * Keeps what is pressed in the walk, one after another in the order of the presses, each at the place that the screen
 * showed then and with values from the house as it stands when its turn comes.
 */
export function useRecording(options: RecordingOptions): Recording {
  const words = useWords();
  const { job, tester, shownPlace, onBegun, onRead, onNotice } = options;
  const keep = useKeep();
  const latest = useLatestPress();
  const { counts, moved, isSlip, failure } = latest;
  const [beingKept, setBeingKept] = useState(0);

  const lamps = useDrawn((read: Lamps, at: number): void => {
    const place = shownPlace();
    if (keep === null || place === null || !counts(`${read.hn} ${read.hg} ${read.ng}`, at)) return;
    const verdict = judgeByLamps({ lamps: read });
    // What stays in hand has its verdict beside it, and the engine may know better than the lamps.
    const message = `Recorded: ${place.name}${verdict.plain ? `, ${words.verdict(verdict).headline.toLowerCase()}` : ''}`;
    const statements = lampsAt(place, read, tester);
    setBeingKept((count) => count + 1);
    onBegun(place, read);
    const said = { place, statements, words: message, goesOn: verdict.plain };
    keepAt(options, keep, latest, said, (isKept) => {
      setBeingKept((count) => count - 1);
      // What could not be kept stays on screen, not recorded.
      if (isKept) onRead(read);
    });
  });

  const record = (
    statementsAt: (place: Place) => Recorded['statements'],
    words: WordsFor,
    goesOn: boolean,
  ) => {
    const place = shownPlace();
    if (keep === null || place === null) return;
    latest.begin();
    onBegun(place, null);
    keepAt(options, keep, latest, { place, statements: statementsAt(place), words, goesOn });
  };

  const statement = useDrawn((about: About, words: WordsFor, goesOn?: boolean): void =>
    record(
      (place) => (house) => [...describedAt(place, house), ...about(place.receptacle, house)],
      words,
      goesOn === true,
    ),
  );

  const fields = useDrawn((given: ReceptacleFields, words: string): void =>
    record((place) => redescribed(place, given), words, false),
  );

  const ofHouse = useDrawn((words: string, ...parts: readonly JobPart[]): void => {
    latest.begin();
    void keep?.inJob(job, ...parts).then(() => onNotice(words), latest.fail);
  });

  const isBusy = beingKept > 0;
  const canKeep = keep !== null;
  return { isBusy, isSlip, failure, canKeep, counts, lamps, statement, fields, ofHouse, moved };
}
