'use client';

import {
  type Assessment,
  assessDraft,
  type JudgedCause,
  type JudgedReceptacle,
  type Verdict,
} from '@fair-plug/core/assessment';
import type { Shown } from '@fair-plug/core/circuit';
import {
  type LampPattern,
  type LampState,
  type Lamps,
  lampsOf,
  type Pair,
} from '@fair-plug/core/instruments';
import type { Danger, ReceptacleType } from '@fair-plug/core/knowledge';
import {
  currentLamps,
  isTested,
  type NamedRoom,
  namedRooms,
  nextReceptacleName,
  type Receptacle,
} from '@fair-plug/core/log';
import { useCallback, useMemo, useRef, useState } from 'react';
import { v7 } from 'uuid';
import { useWords } from '@/components/region-words';
import { useDrawn } from '@/components/use-drawn';
import { nextSpot } from '@/components/wall-places';
import { useKeep } from '@/local/use-logs';
import { useOwnStorage } from '@/local/use-own-storage';
import { type Recording, useRecording } from './use-recording';
import { useUndo } from './use-undo';
import { type CurrentPlace, nextInHand, standing, startOfWalk } from './walk-order';
import { followingType } from './walk-place';

const slip = 'Second press ignored';

const unread = { verdict: null, danger: null };

const nextState: Readonly<Record<LampState, LampState>> = { off: 'lit', lit: 'dim', dim: 'off' };

interface Draft {
  readonly place: string;
  readonly lamps: Lamps;
}

/** Where on its room's walls the next receptacle was tapped. */
interface Tapped {
  readonly room: string;
  readonly spot: number;
}

export interface Walk {
  readonly room: NamedRoom | null;
  /** null: the place for the next one. */
  readonly receptacle: Receptacle | null;
  readonly currentPlace: CurrentPlace | null;
  /** Name of what is in hand; of the next one to be added where that is. */
  readonly name: string;
  readonly type: ReceptacleType | null;
  /** Where the next one would be placed. */
  readonly nextSpot: number | null;
  /** What is shown: the draft, else the current reading. */
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
  /** The lamps were changed and not recorded. */
  readonly isDraft: boolean;
  /** A reading is being kept. */
  readonly isRecording: boolean;
  readonly isRead: boolean;
  /** "Recorded: Den 4, reads correct" */
  readonly said: string;
  /** Why the latest action could not be stored; null where it could. */
  readonly failure: string | null;
  readonly canRecord: boolean;
  readonly take: (currentPlace: CurrentPlace) => void;
  readonly toggle: (pair: Pair) => void;
  readonly discard: () => void;
  /** True for a press that counts: not for the second of a key within half a second. */
  readonly counts: Recording['counts'];
  readonly record: Recording['record'];
  /** `at`: the time stamp of the press. */
  readonly recordPattern: (pattern: LampPattern, at: number) => void;
  readonly recordShown: (shown: Shown, plateScrew?: boolean) => void;
  readonly say: Recording['say'];
  readonly describe: Recording['describe'];
  readonly tell: Recording['tell'];
  readonly placeAt: (spot: number) => void;
  readonly goOn: () => void;
  readonly undo: () => void;
  readonly addRoom: (name: string) => void;
}

const isSame = (a: Lamps, b: Lamps): boolean => a.hn === b.hn && a.hg === b.hg && a.ng === b.ng;

/** The id that the receptacle to be added at a place will have: the same for as long as that place is shown. */
function useComingId(place: string): () => string {
  const coming = useRef({ place: '', id: '' });
  return () => {
    if (coming.current.place !== place) coming.current = { place, id: v7() };
    return coming.current.id;
  };
}

/** The walk through an assessed house: what is in hand, what was recorded, where it goes on. */
export function useWalk(job: string, assessment: Assessment, tester: string | null): Walk {
  const words = useWords();
  const { house } = assessment;
  const keep = useKeep();
  const [chosen, setChosen] = useOwnStorage<CurrentPlace | null>(`in hand ${job}`, null);
  const [draft, setDraft] = useOwnStorage<Draft | null>(`draft ${job}`, null);
  const [tapped, setTapped] = useState<Tapped | null>(null);
  const [said, setSaid] = useState('');

  const rooms = namedRooms(house);
  const currentPlace = useMemo(
    () => (chosen === null ? null : standing(house, chosen)) ?? startOfWalk(house),
    [house, chosen],
  );
  const room = rooms.find((one) => one.id === currentPlace?.room) ?? null;
  const receptacle = room?.receptacles.find((one) => one.id === currentPlace?.receptacle) ?? null;
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
  const type = receptacle === null ? followingType(room) : receptacle.type;
  const name = receptacle?.name ?? (room === null ? '' : nextReceptacleName(room));
  const spot =
    tapped !== null && tapped.room === room?.id
      ? tapped.spot
      : nextSpot(room?.receptacles.map((one) => one.spot) ?? []);

  const comingId = useComingId(`${room?.id} ${name}`);
  const recording = useRecording({
    job,
    tester,
    shownPlace: () =>
      room === null
        ? null
        : { room: room.id, receptacle: receptacle?.id ?? comingId(), isNew: receptacle === null, name, spot },
    onBegun: (at, read) => {
      // The verdict shows while the reading is being kept; a draft outlives a closed tab besides.
      if (read !== null) setDraft({ place, lamps: read });
      // Stays there while it is being kept; one that is new shows once it is there.
      if (chosen?.room !== at.room || chosen.receptacle !== at.receptacle)
        setChosen({ room: at.room, receptacle: at.receptacle });
    },
    onKept: (words, to) => {
      setTapped(null);
      if (to !== null) setChosen(to);
      setSaid(words);
    },
    onRead: (read) =>
      setDraft((current) => (current !== null && isSame(current.lamps, read) ? null : current)),
    onSaid: setSaid,
  });
  const { record, say, describe, tell, moved, counts } = recording;

  const take = useCallback(
    (to: CurrentPlace) => {
      moved();
      setChosen(to);
      setSaid('');
    },
    [setChosen, moved],
  );

  const recordShown: Walk['recordShown'] = (shown, plateScrew) => {
    const by = {
      ...(tester !== null && shown.instrument === 'lamps' ? { tester } : {}),
      ...(plateScrew === undefined ? {} : { plateScrew }),
    };
    say(
      (at) => [{ kind: 'reading-taken', receptacle: at, shown, ...by }],
      `Recorded: ${name}, ${words.instruments[shown.instrument].name.toLowerCase()}`,
    );
  };

  const placeAt = (at: number): void => {
    if (room === null) return;
    if (receptacle === null || receptacle.spot !== null) {
      setTapped({ room: room.id, spot: at });
      take({ room: room.id, receptacle: null });
      return;
    }
    describe({ spot: at }, `Placed: ${name}`);
  };

  const undo = useUndo(job, ({ name: what, place: back }) => {
    setDraft(null);
    if (back !== null) setChosen(back);
    setSaid(what === null ? 'Nothing to undo on this device' : `Taken back: ${what}`);
  });

  const addRoom = useDrawn((roomName: string): void => {
    const id = v7();
    void keep?.inJob(job, { kind: 'room-described', room: id, name: roomName }).then(() => {
      take({ room: id, receptacle: null });
      setSaid(`Added: ${roomName}`);
    });
  });

  const toggle = useDrawn((pair: Pair): void => {
    const before = lamps ?? lampsOf('none');
    setDraft({ place, lamps: { ...before, [pair]: nextState[before[pair]] } });
  });
  const recordPattern = useDrawn((pattern: LampPattern, at: number) => record(lampsOf(pattern), at));
  const steadyPlaceAt = useDrawn(placeAt);

  return {
    room,
    receptacle,
    currentPlace,
    name,
    type,
    nextSpot: receptacle === null ? spot : null,
    lamps,
    verdict,
    judged,
    cause: judged === null ? null : (assessed?.cause ?? null),
    danger,
    next: danger === null ? (judged?.next ?? null) : null,
    isDraft: drafted !== null && !recording.isRecording,
    isRecording: recording.isRecording,
    isRead: receptacle !== null && isTested(receptacle),
    said: recording.isSlip ? [said, slip].filter((words) => words !== '').join('. ') : said,
    failure: recording.failure,
    canRecord: recording.canKeep && room !== null,
    counts,
    take,
    toggle,
    discard: () => setDraft(null),
    record,
    recordPattern,
    recordShown,
    say,
    describe,
    tell,
    placeAt: steadyPlaceAt,
    goOn: () => {
      if (currentPlace !== null && receptacle !== null) take(nextInHand(house, currentPlace));
    },
    undo,
    addRoom,
  };
}
