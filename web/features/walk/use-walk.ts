'use client';

import type { Shown } from '@fair-plug/core/circuit';
import { judgeByLamps, type Verdict } from '@fair-plug/core/diagnosis';
import {
  currentReading,
  type House,
  type JobEntry,
  type JobStatement,
  latestAction,
  nextReceptacleName,
} from '@fair-plug/core/inspection';
import {
  type LampPattern,
  type LampState,
  type Lamps,
  lampsOf,
  type Pair,
} from '@fair-plug/core/instruments';
import {
  type HouseJudgement,
  instrumentWords,
  isJudgedAsRead,
  type JudgedCause,
  type JudgedReceptacle,
  refinedVerdict,
} from '@fair-plug/core/judgement';
import { useLocalStorage } from '@mantine/hooks';
import { useCallback, useMemo, useRef, useState } from 'react';
import { v7 } from 'uuid';
import { useDevice, useKeep } from '@/local/use-logs';
import { type InHand, nextInHand, standing, startOfWalk, walkedRooms } from './walk-order';

/** After a recording, presses are ignored for this long: a double tap must not record a receptacle untested. */
const deadMilliseconds = 500;

const nextState: Readonly<Record<LampState, LampState>> = { off: 'lit', lit: 'dim', dim: 'off' };

interface Draft {
  readonly place: string;
  readonly lamps: Lamps;
}

export interface Walk {
  readonly room: ReturnType<typeof walkedRooms>[number] | null;
  readonly inHand: InHand | null;
  /** Name of what is in hand; of the next one to be added where that is. */
  readonly name: string;
  readonly isNew: boolean;
  /** What is shown: the draft, else the current reading. */
  readonly lamps: Lamps | null;
  readonly verdict: Verdict | null;
  /** What the engine makes of all that was read here; null until it has answered to the latest reading. */
  readonly judged: JudgedReceptacle | null;
  /** The cause on its circuit that takes it along. */
  readonly cause: JudgedCause | null;
  readonly breaker: string | null;
  readonly place: number | null;
  /** The lamps were changed and not recorded. */
  readonly isDraft: boolean;
  readonly isRead: boolean;
  /** "Recorded: Den 4, reads correct" */
  readonly said: string;
  readonly canRecord: boolean;
  readonly take: (inHand: InHand) => void;
  readonly toggle: (pair: Pair) => void;
  readonly discard: () => void;
  readonly record: (lamps: Lamps) => void;
  readonly recordPattern: (pattern: LampPattern) => void;
  readonly recordShown: (shown: Shown) => void;
  readonly feed: (breaker: string | null, place: number | null) => void;
  readonly goOn: () => void;
  readonly undo: () => void;
  readonly addRoom: (name: string) => void;
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
  const [chosen, setChosen] = useLocalStorage<InHand | null>({
    key: `fair-plug in hand ${job}`,
    defaultValue: null,
  });
  const [draft, setDraft] = useLocalStorage<Draft | null>({
    key: `fair-plug draft ${job}`,
    defaultValue: null,
  });
  const [said, setSaid] = useState('');
  const lastRecorded = useRef(0);

  const rooms = walkedRooms(house);
  const inHand = useMemo(
    () => (chosen === null ? null : standing(house, chosen)) ?? startOfWalk(house),
    [house, chosen],
  );
  const room = rooms.find((one) => one.id === inHand?.room) ?? null;
  const receptacle = room?.receptacles.find((one) => one.id === inHand?.receptacle) ?? null;
  const reading = receptacle === null ? null : currentReading(receptacle);
  const place = `${inHand?.room} ${inHand?.receptacle}`;
  const drafted = draft?.place === place ? draft.lamps : null;
  const lamps = drafted ?? reading?.lamps ?? null;
  const judgedHere = receptacle === null ? undefined : judgement?.receptacles.get(receptacle.id);
  const judged =
    drafted === null &&
    receptacle !== null &&
    judgedHere !== undefined &&
    isJudgedAsRead(judgedHere, receptacle)
      ? judgedHere
      : null;
  // The lamps' own verdict stands at once; the engine's takes its place when it comes.
  const verdict = useMemo(() => {
    const byLamps = lamps === null ? null : judgeByLamps({ lamps });
    return judged === null ? byLamps : refinedVerdict(byLamps, judged);
  }, [lamps, judged]);
  const name = receptacle?.name ?? (room === null ? '' : nextReceptacleName(room));

  const take = useCallback(
    (to: InHand) => {
      setChosen(to);
      setSaid('');
    },
    [setChosen],
  );

  const record = (read: Lamps): void => {
    const now = performance.now();
    if (keep === null || room === null || now - lastRecorded.current < deadMilliseconds) return;
    lastRecorded.current = now;
    const id = receptacle?.id ?? v7();
    const statements: JobStatement[] = [];
    if (receptacle === null)
      statements.push({ kind: 'receptacle-described', receptacle: id, room: room.id, name });
    statements.push({
      kind: 'lamps-read',
      receptacle: id,
      lamps: read,
      ...(tester === null ? {} : { tester }),
    });
    const { headline, plain } = judgeByLamps({ lamps: read });
    const here: InHand = { room: room.id, receptacle: id };
    void keep.inJob(job, ...statements).then(() => {
      setDraft(null);
      setSaid(`Recorded: ${name}, ${headline.toLowerCase()}`);
      // A receptacle added just now is followed by the place for the next one.
      if (plain) setChosen(receptacle === null ? { ...here, receptacle: null } : nextInHand(house, here));
      else setChosen(here);
    });
  };

  /** The receptacle in hand, described first where it is new. */
  const atHand = (): { readonly id: string; readonly described: readonly JobStatement[] } | null => {
    if (room === null) return null;
    if (receptacle !== null) return { id: receptacle.id, described: [] };
    const id = v7();
    return { id, described: [{ kind: 'receptacle-described', receptacle: id, room: room.id, name }] };
  };

  const recordShown = (shown: Shown): void => {
    const here = atHand();
    if (keep === null || room === null || here === null) return;
    const by = tester !== null && shown.instrument === 'lamps' ? { tester } : {};
    void keep
      .inJob(job, ...here.described, { kind: 'reading-taken', receptacle: here.id, shown, ...by })
      .then(() => {
        setChosen({ room: room.id, receptacle: here.id });
        setSaid(`Recorded: ${name}, ${instrumentWords[shown.instrument].name.toLowerCase()}`);
      });
  };

  const feed = (breaker: string | null, place: number | null): void => {
    const here = atHand();
    if (keep === null || room === null || here === null) return;
    void keep
      .inJob(job, ...here.described, { kind: 'receptacle-fed', receptacle: here.id, breaker, place })
      .then(() => {
        setChosen({ room: room.id, receptacle: here.id });
        setSaid(breaker === null ? `${name}: breaker not known` : `${name} is on breaker ${breaker}`);
      });
  };

  const undo = (): void => {
    if (keep === null || device === null) return;
    const ids = latestAction(entries, device);
    if (ids.length === 0) {
      setSaid('Nothing to undo on this device');
      return;
    }
    const { name: what, place: back } = touched(house, entries, ids);
    void keep.inJob(job, { kind: 'withdrawn', entries: [...ids] }).then(() => {
      setDraft(null);
      if (back !== null) setChosen(back);
      setSaid(`Taken back: ${what}`);
    });
  };

  const addRoom = (roomName: string): void => {
    const id = v7();
    void keep?.inJob(job, { kind: 'room-described', room: id, name: roomName }).then(() => {
      take({ room: id, receptacle: null });
      setSaid(`Added: ${roomName}`);
    });
  };

  return {
    room,
    inHand,
    name,
    isNew: receptacle === null,
    lamps,
    verdict,
    judged,
    cause:
      judgement?.circuits.find(({ breaker }) => breaker === judged?.cause?.breaker)?.causes[
        judged?.cause?.position ?? -1
      ] ?? null,
    breaker: receptacle?.breaker ?? null,
    place: receptacle?.place ?? null,
    isDraft: drafted !== null,
    isRead: reading !== null || (receptacle?.taken.length ?? 0) > 0,
    said,
    canRecord: keep !== null && room !== null,
    take,
    toggle: (pair) => {
      const before = lamps ?? lampsOf('none');
      setDraft({ place, lamps: { ...before, [pair]: nextState[before[pair]] } });
    },
    discard: () => setDraft(null),
    record,
    recordPattern: (pattern) => record(lampsOf(pattern)),
    recordShown,
    feed,
    goOn: () => {
      if (inHand !== null && receptacle !== null) take(nextInHand(house, inHand));
    },
    undo,
    addRoom,
  };
}

/** What an undo takes back in a few words, and where that is. */
function touched(
  house: House,
  entries: readonly JobEntry[],
  ids: readonly string[],
): { readonly name: string; readonly place: InHand | null } {
  const gone = entries.filter((entry) => ids.includes(entry.id));
  const about = gone.find(
    (entry) =>
      entry.kind === 'lamps-read' || entry.kind === 'reading-taken' || entry.kind === 'receptacle-fed',
  );
  for (const room of walkedRooms(house)) {
    const one = room.receptacles.find(({ id }) => id === about?.receptacle);
    if (one === undefined) continue;
    const what = about?.kind === 'receptacle-fed' ? 'the breaker of' : 'the reading of';
    return { name: `${what} ${one.name}`, place: { room: room.id, receptacle: one.id } };
  }
  const [room] = gone.flatMap((entry) => (entry.kind === 'room-described' ? [entry.name] : []));
  return { name: room ?? 'the last entry', place: null };
}
