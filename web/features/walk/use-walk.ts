'use client';

import type { Shown } from '@fair-plug/core/circuit';
import type { Danger, ReceptacleType } from '@fair-plug/core/conditions';
import { judgeByLamps, type Verdict } from '@fair-plug/core/diagnosis';
import {
  currentReading,
  type House,
  isTested,
  type JobEntry,
  type JobStatement,
  latestAction,
  nextReceptacleName,
  type Receptacle,
  type Room,
} from '@fair-plug/core/inspection';
import {
  type LampPattern,
  type LampState,
  type Lamps,
  lampsOf,
  type Pair,
} from '@fair-plug/core/instruments';
import {
  dangerAt,
  type HouseJudgement,
  instrumentWords,
  type JudgedCause,
  type JudgedReceptacle,
  verdictOn,
} from '@fair-plug/core/judgement';
import { useCallbackRef } from '@mantine/hooks';
import { useCallback, useMemo, useRef, useState } from 'react';
import { v7 } from 'uuid';
import { nextSpot } from '@/components/wall-places';
import { useDevice, useKeep } from '@/local/use-logs';
import { useOwnStorage } from '@/local/use-own-storage';
import { type InHand, nextInHand, standing, startOfWalk, walkedRooms } from './walk-order';

/** After a recording, presses are ignored for this long: a double tap must not record a receptacle untested. */
const deadMilliseconds = 500;

/** One withdrawal takes back so many entries at the most. */
const mostWithdrawn = 20;

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
  readonly room: (Room & { readonly id: string }) | null;
  /** null: the place for the next one. */
  readonly receptacle: Receptacle | null;
  readonly inHand: InHand | null;
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
  /** The lamps were changed and not recorded. */
  readonly isDraft: boolean;
  /** A reading is being kept. */
  readonly isRecording: boolean;
  readonly isRead: boolean;
  /** "Recorded: Den 4, reads correct" */
  readonly said: string;
  readonly canRecord: boolean;
  readonly take: (inHand: InHand) => void;
  readonly toggle: (pair: Pair) => void;
  readonly discard: () => void;
  readonly record: (lamps: Lamps) => void;
  readonly recordPattern: (pattern: LampPattern) => void;
  readonly recordShown: (shown: Shown, plateScrew?: boolean) => void;
  /** Keeps what is said of the receptacle in hand, described first where it is new. */
  readonly say: (
    about: (receptacle: string) => readonly JobStatement[],
    words: string,
    goesOn?: boolean,
  ) => void;
  /** Keeps what is said of the house. */
  readonly tell: (words: string, ...statements: readonly JobStatement[]) => void;
  readonly placeAt: (spot: number) => void;
  readonly goOn: () => void;
  readonly undo: () => void;
  readonly addRoom: (name: string) => void;
}

/** Types that come one at a time, and are not carried on to the next. */
const isSpecial = (type: ReceptacleType): boolean =>
  type === 'ground-fault' || type === 'range-or-dryer' || type === 'protected-socket';

/** The kind that a new receptacle of a room has until somebody says otherwise: that of the one before. */
export function followingType(room: Room | null): ReceptacleType | null {
  const last = room?.receptacles.findLast(({ type }) => type !== null && !isSpecial(type));
  return last?.type ?? null;
}

/** The walk through a job: what is in hand, what was recorded, where it goes on. */
export function useWalk(
  job: string,
  house: House,
  entries: readonly JobEntry[],
  tester: string | null,
  judgement: HouseJudgement | null,
): Walk {
  const keep = useKeep();
  const device = useDevice();
  const [chosen, setChosen] = useOwnStorage<InHand | null>(`in hand ${job}`, null);
  const [draft, setDraft] = useOwnStorage<Draft | null>(`draft ${job}`, null);
  const [tapped, setTapped] = useState<Tapped | null>(null);
  const [said, setSaid] = useState('');
  const [isRecording, setRecording] = useState(false);
  const lastRecorded = useRef(0);
  const isKeeping = useRef(false);
  /** Pressed while something else was being kept: recorded as soon as that is done. */
  const wanted = useRef<Lamps | null>(null);

  const rooms = walkedRooms(house);
  const inHand = useMemo(
    () => (chosen === null ? null : standing(house, chosen)) ?? startOfWalk(house),
    [house, chosen],
  );
  const room = rooms.find((one) => one.id === inHand?.room) ?? null;
  const receptacle = room?.receptacles.find((one) => one.id === inHand?.receptacle) ?? null;
  const place = `${inHand?.room} ${inHand?.receptacle}`;
  const drafted = draft?.place === place ? draft.lamps : null;
  const lamps = drafted ?? (receptacle === null ? null : (currentReading(receptacle)?.lamps ?? null));
  // The lamps' own verdict stands at once; the engine's takes its place when it comes.
  const answered = receptacle === null ? undefined : judgement?.receptacles.get(receptacle.id);
  const { verdict, refined: judged } = useMemo(() => {
    if (receptacle !== null) return verdictOn(receptacle, answered, drafted);
    return { verdict: drafted === null ? null : judgeByLamps({ lamps: drafted }), refined: null };
  }, [receptacle, answered, drafted]);
  const name = receptacle?.name ?? (room === null ? '' : nextReceptacleName(room));
  const type = receptacle === null ? followingType(room) : receptacle.type;
  const spot =
    tapped !== null && tapped.room === room?.id
      ? tapped.spot
      : nextSpot(room?.receptacles.map((one) => one.spot) ?? []);

  const take = useCallback(
    (to: InHand) => {
      setChosen(to);
      setSaid('');
    },
    [setChosen],
  );

  /** The receptacle in hand, described first where it is new. */
  const atHand = (): { readonly id: string; readonly described: readonly JobStatement[] } | null => {
    if (room === null) return null;
    if (receptacle !== null) return { id: receptacle.id, described: [] };
    const id = v7();
    const details = { ...(type === null ? {} : { type }), ...(spot === null ? {} : { spot }) };
    return {
      id,
      described: [{ kind: 'receptacle-described', receptacle: id, room: room.id, name, ...details }],
    };
  };

  const keepAction = (statements: readonly JobStatement[], then: () => void): void => {
    void keep?.inJob(job, ...statements).then(then);
  };

  /** One at a time, so that a second press cannot describe the same new receptacle twice. */
  const keepAlone = (statements: readonly JobStatement[], then: () => void): void => {
    if (keep === null || isKeeping.current) return;
    isKeeping.current = true;
    void keep
      .inJob(job, ...statements)
      .then(() => {
        setTapped(null);
        then();
      })
      .catch(() => {
        setRecording(false);
        setSaid('Not kept: this device could not store it. Try again, or free some space.');
      })
      .finally(() => {
        isKeeping.current = false;
        const next = wanted.current;
        wanted.current = null;
        if (next !== null) setTimeout(() => steadyRecord(next));
      });
  };

  /** Stays at a receptacle while what is said of it is being kept; one that is new shows once it is there. */
  const hold = (id: string): void => {
    if (room === null || (chosen?.room === room.id && chosen.receptacle === id)) return;
    setChosen({ room: room.id, receptacle: id });
  };

  const goOnFrom = (here: InHand): void =>
    // A receptacle added just now is followed by the place for the next one.
    setChosen(receptacle === null ? { ...here, receptacle: null } : nextInHand(house, here));

  const record = (read: Lamps): void => {
    const now = performance.now();
    const here = atHand();
    if (room === null || here === null || now - lastRecorded.current < deadMilliseconds) return;
    if (keep === null || isRecording) return;
    if (isKeeping.current) {
      wanted.current = read;
      return;
    }
    lastRecorded.current = now;
    // The verdict shows while the reading is being kept; a draft outlives a closed tab besides.
    setDraft({ place, lamps: read });
    setRecording(true);
    hold(here.id);
    const { headline, plain } = judgeByLamps({ lamps: read });
    const by = tester === null ? {} : { tester };
    keepAlone([...here.described, { kind: 'lamps-read', receptacle: here.id, lamps: read, ...by }], () => {
      setRecording(false);
      setDraft(null);
      setSaid(`Recorded: ${name}, ${headline.toLowerCase()}`);
      const at: InHand = { room: room.id, receptacle: here.id };
      if (plain) goOnFrom(at);
      else setChosen(at);
    });
  };

  const steadyRecord = useCallbackRef(record);

  const say: Walk['say'] = (about, words, goesOn = false) => {
    const here = atHand();
    if (room === null || here === null) return;
    hold(here.id);
    const keepIt = here.described.length > 0 ? keepAlone : keepAction;
    keepIt([...here.described, ...about(here.id)], () => {
      setSaid(words);
      const at: InHand = { room: room.id, receptacle: here.id };
      if (goesOn) goOnFrom(at);
      else setChosen(at);
    });
  };

  const tell: Walk['tell'] = (words, ...statements) => keepAction(statements, () => setSaid(words));

  const recordShown: Walk['recordShown'] = (shown, plateScrew) => {
    const by = {
      ...(tester !== null && shown.instrument === 'lamps' ? { tester } : {}),
      ...(plateScrew === undefined ? {} : { plateScrew }),
    };
    say(
      (at) => [{ kind: 'reading-taken', receptacle: at, shown, ...by }],
      `Recorded: ${name}, ${instrumentWords[shown.instrument].name.toLowerCase()}`,
    );
  };

  const placeAt = (at: number): void => {
    if (room === null) return;
    if (receptacle === null || receptacle.spot !== null) {
      setTapped({ room: room.id, spot: at });
      setChosen({ room: room.id, receptacle: null });
      return;
    }
    say(
      (id) => [{ kind: 'receptacle-described', receptacle: id, room: room.id, name, spot: at }],
      `Placed: ${name}`,
    );
  };

  const undo = (): void => {
    if (keep === null || device === null) return;
    const ids = latestAction(entries, device);
    if (ids.length === 0) {
      setSaid('Nothing to undo on this device');
      return;
    }
    const { name: what, place: back } = touched(house, entries, ids);
    const withdrawals = Array.from(
      { length: Math.ceil(ids.length / mostWithdrawn) },
      (_, part): JobStatement => ({
        kind: 'withdrawn',
        entries: ids.slice(part * mostWithdrawn, (part + 1) * mostWithdrawn),
      }),
    );
    void keep.inJob(job, ...withdrawals).then(() => {
      setDraft(null);
      if (back !== null) setChosen(back);
      setSaid(`Taken back: ${what}`);
    });
  };

  const addRoom = useCallbackRef((roomName: string): void => {
    const id = v7();
    void keep?.inJob(job, { kind: 'room-described', room: id, name: roomName }).then(() => {
      take({ room: id, receptacle: null });
      setSaid(`Added: ${roomName}`);
    });
  });

  const toggle = useCallbackRef((pair: Pair): void => {
    const before = lamps ?? lampsOf('none');
    setDraft({ place, lamps: { ...before, [pair]: nextState[before[pair]] } });
  });
  const recordPattern = useCallbackRef((pattern: LampPattern) => record(lampsOf(pattern)));
  const steadyPlaceAt = useCallbackRef(placeAt);

  return {
    room,
    receptacle,
    inHand,
    name,
    type,
    nextSpot: receptacle === null ? spot : null,
    lamps,
    verdict,
    judged,
    cause:
      judgement?.circuits.find(({ breaker }) => breaker === judged?.cause?.breaker)?.causes[
        judged?.cause?.position ?? -1
      ] ?? null,
    danger: receptacle === null ? null : dangerAt(receptacle, verdict),
    isDraft: drafted !== null && !isRecording,
    isRecording,
    isRead: receptacle !== null && isTested(receptacle),
    said,
    canRecord: keep !== null && room !== null,
    take,
    toggle,
    discard: () => setDraft(null),
    record,
    recordPattern,
    recordShown,
    say,
    tell,
    placeAt: steadyPlaceAt,
    goOn: () => {
      if (inHand !== null && receptacle !== null) take(nextInHand(house, inHand));
    },
    undo,
    addRoom,
  };
}

const undone: Partial<Record<JobEntry['kind'], string>> = {
  'lamps-read': 'the reading of',
  'reading-taken': 'the reading of',
  'receptacle-fed': 'the breaker of',
  'look-noted': 'a look of',
  'cover-off': 'what was seen inside',
  'not-reached': 'not reached:',
  'protection-noted': 'the labels of',
  'ground-fault-tested': 'the ground-fault test at',
  'people-warned': 'the warning at',
  noted: 'a note on',
  'receptacle-merged': 'the merging of',
  'receptacle-described': 'the description of',
};

/** What an undo takes back in a few words, and where that is. */
function touched(
  house: House,
  entries: readonly JobEntry[],
  ids: readonly string[],
): { readonly name: string; readonly place: InHand | null } {
  const gone = entries.filter((entry) => ids.includes(entry.id));
  const about = gone.findLast((entry) => 'receptacle' in entry);
  if (about !== undefined && 'receptacle' in about)
    for (const room of walkedRooms(house)) {
      const one = room.receptacles.find(({ id }) => id === about.receptacle);
      if (one === undefined) continue;
      return {
        name: `${undone[about.kind] ?? 'the last entry at'} ${one.name}`,
        place: { room: room.id, receptacle: one.id },
      };
    }
  const [room] = gone.flatMap((entry) => (entry.kind === 'room-described' ? [entry.name] : []));
  return { name: room ?? 'the last entry', place: null };
}
