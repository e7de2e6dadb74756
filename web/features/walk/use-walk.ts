'use client';

import type { Assessment } from '@fair-plug/core/assessment';
import { type LampPattern, lampsOf, type Shown } from '@fair-plug/core/instruments';
import type { House } from '@fair-plug/core/log';
import { useCallback, useRef, useState } from 'react';
import { v7 } from 'uuid';
import { useWords } from '@/components/region-words';
import { useDrawn } from '@/components/use-drawn';
import { useKeep } from '@/local/use-logs';
import { type Here, useCurrentPlace } from './use-current-place';
import { type Recording, useRecording } from './use-recording';
import { type ShownReading, useShownReading } from './use-shown-reading';
import { useUndo } from './use-undo';
import { type CurrentPlace, nextPlace } from './walk-order';

const slip = 'Second press ignored';

/** Where the walk can be led. */
export interface WalkMoves {
  readonly take: (currentPlace: CurrentPlace) => void;
  readonly placeAt: (spot: number) => void;
  readonly goOn: () => void;
  readonly addRoom: (name: string) => void;
}

/** What records at the place shown, and what it said last. */
export interface WalkRecord
  extends Pick<Recording, 'isBusy' | 'failure' | 'counts' | 'lamps' | 'statement' | 'fields' | 'ofHouse'> {
  readonly canRecord: boolean;
  /** "Recorded: Den 4, reads correct" */
  readonly notice: string;
  /** `at`: the time stamp of the press. */
  readonly pattern: (pattern: LampPattern, at: number) => void;
  readonly shown: (shown: Shown, plateScrew?: boolean) => void;
  readonly undo: () => void;
  readonly redo: () => void;
  /** Something was just taken back. */
  readonly mayRedo: boolean;
}

export interface Walk {
  readonly here: Here;
  readonly shown: ShownReading;
  readonly moves: WalkMoves;
  readonly record: WalkRecord;
}

/** The id that the receptacle to be added at a place will have: the same for as long as that place is shown. */
function useComingId(place: string): () => string {
  const coming = useRef({ place: '', id: '' });
  return () => {
    if (coming.current.place !== place) coming.current = { place, id: v7() };
    return coming.current.id;
  };
}

/** The walk through an assessed house: where it stands, what is shown there, what records, where it goes on. */
export function useWalk(job: string, assessment: Assessment, tester: string | null): Walk {
  const { house } = assessment;
  const { here, spot, chosen, setChosen, setTapped } = useCurrentPlace(job, house);
  const { room, receptacle, name } = here;
  const { shown, propose, settle } = useShownReading(job, assessment, here);
  const [notice, setNotice] = useState('');
  const [mayRedo, setMayRedo] = useState(false);

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
      if (read !== null) propose(read);
      // Stays there while it is being kept; one that is new shows once it is there.
      if (chosen?.room !== at.room || chosen.receptacle !== at.receptacle)
        setChosen({ room: at.room, receptacle: at.receptacle });
    },
    onKept: (kept, to) => {
      setTapped(null);
      if (to !== null) setChosen(to);
      setNotice(kept);
      setMayRedo(false);
    },
    onRead: settle,
    onNotice: setNotice,
  });
  const { moved } = recording;
  const take = useCallback(
    (to: CurrentPlace) => {
      moved();
      setChosen(to);
      setNotice('');
    },
    [setChosen, moved],
  );
  const { undo, redo } = useUndo(job, {
    undone: ({ name: what, place: back, mayRedo: more }) => {
      shown.discard();
      if (back !== null) setChosen(back);
      setNotice(what === null ? 'Nothing to undo on this device' : `Taken back: ${what}`);
      setMayRedo(more);
    },
    redone: ({ name: what, place: back, mayRedo: more }) => {
      shown.discard();
      if (back !== null) setChosen(back);
      setNotice(what === null ? 'Nothing to redo on this device' : `Put back: ${what}`);
      setMayRedo(more);
    },
  });
  return {
    here,
    shown: { ...shown, isDraft: shown.isDraft && !recording.isBusy },
    moves: useMoves(job, house, here, recording, { take, setTapped, setNotice }),
    record: {
      ...recording,
      ...useReadings(here, recording, tester),
      canRecord: recording.canKeep && room !== null,
      notice: recording.isSlip ? [notice, slip].filter((words) => words !== '').join('. ') : notice,
      undo,
      redo,
      mayRedo,
    },
  };
}

/** Records readings by name: a pattern of the lamps, or what another instrument showed. */
function useReadings(
  { name }: Here,
  { lamps, statement }: Recording,
  tester: string | null,
): Pick<WalkRecord, 'pattern' | 'shown'> {
  const words = useWords();
  return {
    pattern: useDrawn((pattern: LampPattern, at: number) => lamps(lampsOf(pattern), at)),
    shown: (shown, plateScrew) => {
      const by = {
        ...(tester !== null && shown.instrument === 'lamps' ? { tester } : {}),
        ...(plateScrew === undefined ? {} : { plateScrew }),
      };
      statement(
        (at) => [{ kind: 'reading-taken', receptacle: at, shown, ...by }],
        `Recorded: ${name}, ${words.instruments[shown.instrument].name.toLowerCase()}`,
      );
    },
  };
}

interface Leads {
  readonly take: WalkMoves['take'];
  readonly setTapped: (tapped: { readonly room: string; readonly spot: number }) => void;
  readonly setNotice: (notice: string) => void;
}

function useMoves(
  job: string,
  house: House,
  { room, receptacle, name, currentPlace }: Here,
  { fields }: Recording,
  { take, setTapped, setNotice }: Leads,
): WalkMoves {
  const keep = useKeep();
  return {
    take,
    placeAt: useDrawn((spot: number): void => {
      if (room === null) return;
      if (receptacle === null || receptacle.spot !== null) {
        setTapped({ room: room.id, spot });
        take({ room: room.id, receptacle: null });
        return;
      }
      fields({ spot }, `Placed: ${name}`);
    }),
    goOn: () => {
      if (currentPlace !== null && receptacle !== null) take(nextPlace(house, currentPlace));
    },
    addRoom: useDrawn((roomName: string): void => {
      const id = v7();
      void keep?.inJob(job, { kind: 'room-described', room: id, name: roomName }).then(() => {
        take({ room: id, receptacle: null });
        setNotice(`Added: ${roomName}`);
      });
    }),
  };
}
