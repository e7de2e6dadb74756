'use client';

import { type Assessment, type HazardId, hazardAt, type JudgedCircuit } from '@fair-plug/core/assessment';
import type { InstrumentId } from '@fair-plug/core/instruments';

import { type House, houseDay, panelsOf, receptaclesOf } from '@fair-plug/core/log';
import { type Survey, surveyOf } from '@fair-plug/core/report/survey.ts';
import { memo, useCallback, useDeferredValue, useEffect, useMemo, useState } from 'react';
import { useExplanation } from '@/components/explained';
import { useWords } from '@/components/region-words';
import { NotHere, useWhenWanted } from '@/components/when-used';
import { useAfterPaint } from '@/local/use-after-paint';
import { useAssessment } from '@/local/use-assessment';
import { useChosenTester } from '@/local/use-chosen-tester';
import { JobFrame } from '@/shell/job-frame';
import { noAddress } from '@/shell/job-head';
import { JobLoader, type LoadedJob } from '@/shell/job-loader';
import { AddRoom } from './add-room';
import type { AskedReading } from './asked-reading';
import { CausesList } from './causes-list';
import { CurrentReceptacle } from './current-receptacle';
import { RoomList } from './room-list';
import { placeOf } from './sheets/sheet-props';
import { useWalk, type Walk as Walked } from './use-walk';
import { useWalkKeys } from './use-walk-keys';
import { VerdictPanel } from './verdict-panel';
import classes from './walk.module.css';
import { type CurrentPlace, stepRoom } from './walk-order';
import { type SheetId, sheetFor, sheetWords } from './words';

const loadDialogs = () => import('./walk-dialogs').then((one) => one.WalkDialogs);

/** Nobody has said on the day of the latest reading whether halves read alike. */
function asksForHalves(house: House): boolean {
  const day = house.lastReadAt === null ? null : houseDay(house, house.lastReadAt);
  return receptaclesOf(house).every(
    ({ halves }) => halves === undefined || houseDay(house, halves.at) !== day,
  );
}

export function WalkScreen() {
  return <JobLoader>{(loaded) => <Walk key={loaded.job} {...loaded} />}</JobLoader>;
}

/** Receptacles by their ids: what each is called, and the way to it. */
function useReceptacles(house: House, take: Walked['moves']['take']) {
  const names = useMemo(() => new Map(receptaclesOf(house).map(({ id, name }) => [id, name])), [house]);
  const nameOf = useCallback((id: string): string => names.get(id) ?? '', [names]);
  const takeById = useCallback(
    (id: string): void => {
      const room = house.rooms.find(({ receptacles }) => receptacles.some((one) => one.id === id));
      if (room?.id) take({ room: room.id, receptacle: id });
    },
    [house, take],
  );
  return { nameOf, takeById };
}

/** What is asked for: a reading, or a sheet. */
function useAsked(walk: Walked, takeById: (id: string) => void) {
  const [asked, setAsked] = useState<AskedReading | null>(null);
  const [sheet, setSheet] = useState<SheetId | null>(null);
  const test = (at: string, reading: AskedReading): void => {
    if (at !== '' && at !== walk.here.currentPlace?.receptacle) takeById(at);
    const opens = sheetFor(reading.instrument);
    if (opens === null) setAsked(reading);
    else setSheet(opens);
  };
  const nextTest = (): void => {
    const { next } = walk.shown;
    if (next !== null)
      test(next.at, { instrument: next.instrument, loadsOff: next.state?.loadsOff === true });
  };
  return { asked, setAsked, sheet, setSheet, test, nextTest };
}

interface PanelFirstProps {
  readonly house: House;
  readonly onSheet: (sheet: SheetId) => void;
}

/** The panel comes first, where it may be looked at; what is known of it stands beside. */
function PanelFirst({ house, onSheet }: PanelFirstProps) {
  const { walk } = useWords().screens;
  const panels = panelsOf(house);
  const breakers = panels.reduce((sum, panel) => sum + panel.breakers.length, 0);
  const state =
    panels.length > 0
      ? `${breakers} in the directory`
      : house.parts?.panelSkipped === undefined
        ? 'first, or say why not'
        : 'not looked at';
  return (
    <div className={classes.foot}>
      <button type="button" aria-keyshortcuts={sheetWords.panel.key} onClick={() => onSheet('panel')}>
        {walk.panel} … <kbd>{sheetWords.panel.key}</kbd> <small>{state}</small>
      </button>
    </div>
  );
}

interface NavFootProps {
  readonly onAddRoom: Walked['moves']['addRoom'];
  readonly onSheet: (sheet: SheetId) => void;
}

function NavFoot({ onAddRoom, onSheet }: NavFootProps) {
  return (
    <div className={classes.foot}>
      <AddRoom onAdd={onAddRoom} />
      <button type="button" onClick={() => onSheet('close-out')}>
        Close-out … <kbd>F</kbd>
      </button>
    </div>
  );
}

function FirstRoom() {
  const words = useWords();
  return (
    <section className={classes.empty}>
      <h2>Add the first room</h2>
      <p>{words.screens.walk.roundTheRoom}</p>
    </section>
  );
}

interface RoomsProps {
  readonly house: House;
  readonly assessment: Assessment;
  readonly survey: Survey;
  readonly currentPlace: CurrentPlace | null;
  readonly nameOf: (id: string) => string;
  /** What comes first is on screen: the rest may be drawn. */
  readonly isPainted: boolean;
  readonly onTake: (receptacle: string) => void;
  readonly onTakePlace: Walked['moves']['take'];
  readonly onAddRoom: Walked['moves']['addRoom'];
  readonly onSheet: (sheet: SheetId) => void;
}

/** Where the walk may go: the panel, the causes on circuits, the rooms. */
const Rooms = memo(function Rooms({
  house,
  assessment,
  survey,
  currentPlace,
  nameOf,
  isPainted,
  onTake,
  onTakePlace,
  onAddRoom,
  onSheet,
}: RoomsProps) {
  return (
    <nav className={classes.rooms} aria-label="Rooms">
      <PanelFirst house={house} onSheet={onSheet} />
      {isPainted && (
        <>
          <CausesList assessment={assessment} nameOf={nameOf} onTake={onTake} />
          <RoomList survey={survey} house={house} currentPlace={currentPlace} onTake={onTakePlace} />
        </>
      )}
      <NavFoot onAddRoom={onAddRoom} onSheet={onSheet} />
    </nav>
  );
});

interface DialogsProps
  extends Pick<LoadedJob, 'job' | 'house' | 'entries'>,
    Pick<ReturnType<typeof useAsked>, 'asked' | 'setAsked' | 'sheet' | 'setSheet'> {
  readonly walk: Walked;
  readonly hazardOf: (instrument: InstrumentId) => HazardId | null;
  readonly help: ReturnType<typeof useWalkKeys>;
}

/** All that opens over the walk, once it may be wanted. */
function Dialogs({ asked, setAsked, sheet, setSheet, help, ...here }: DialogsProps) {
  const { job, walk, hazardOf } = here;
  const WalkDialogs = useWhenWanted(loadDialogs);
  const isAskedFor = asked !== null || sheet !== null || help.opened;
  const [isMissed, setMissed] = useState(false);
  useEffect(() => {
    if (WalkDialogs !== 'missing' || !isAskedFor) return;
    // Nothing opens: the walk goes on, and it is said why.
    setMissed(true);
    setAsked(null);
    setSheet(null);
    help.close();
  }, [WalkDialogs, isAskedFor, setAsked, setSheet, help.close]);
  if (WalkDialogs === 'missing') return isMissed && <NotHere />;
  if (WalkDialogs === null) return null;
  return (
    <WalkDialogs
      reading={{
        name: walk.here.name,
        place: `${job} ${placeOf(walk)}`,
        asked,
        hazardOf,
        onRecord: (shown, plateScrew) => {
          setAsked(null);
          walk.record.shown(shown, plateScrew);
        },
        onClose: () => setAsked(null),
      }}
      sheet={{ ...here, open: sheet, onClose: () => setSheet(null) }}
      help={help}
    />
  );
}

/** The way to the next room; null where there is no other. */
function wayToNextRoom(house: House, { here: { room }, moves }: Walked): (() => void) | null {
  const to = room === null ? null : stepRoom(house, room.id, 1);
  return to === null || to.room === room?.id ? null : () => moves.take(to);
}

/** The circuit of the receptacle in hand; its next test stands here already where it is made here. */
const circuitOf = ({ circuits }: Assessment, { here: { receptacle } }: Walked): JudgedCircuit | null =>
  circuits.find(({ breaker, next }) => breaker === receptacle?.breaker && next?.at !== receptacle?.id) ??
  null;

function Walk({ job, house, entries, isWhole }: LoadedJob) {
  const tester = useChosenTester();
  const assessed = useAssessment(job, house);
  const { assessment } = assessed;
  const walk = useWalk(job, assessment, tester?.id ?? null);
  const { nameOf, takeById } = useReceptacles(house, walk.moves.take);
  // The verdict is drawn first, then what it changes in the list, the plan and the head.
  const later = useDeferredValue(assessment);
  const listed = useReceptacles(later.house, walk.moves.take);
  const { asked, setAsked, sheet, setSheet, test, nextTest } = useAsked(walk, takeById);
  const help = useWalkKeys(house, walk, asked !== null || sheet !== null, {
    onEnterReading: () => setAsked({ instrument: 'meter', loadsOff: false }),
    onNextTest: nextTest,
    onSheet: setSheet,
  });
  const nextOrAny = (): void => {
    if (walk.shown.next === null) setAsked({ instrument: 'meter', loadsOff: false });
    else nextTest();
  };
  const triangleIs = useExplanation('triangle');
  const planIs = useExplanation('plan');
  const isPainted = useAfterPaint();
  const survey = useMemo(() => surveyOf(later), [later]);
  const { receptacle } = walk.here;
  const here = assessment.receptacles.get(receptacle?.id ?? '');
  const hazardOf = (instrument: InstrumentId) => hazardAt(assessment, receptacle?.id ?? '', instrument);
  return (
    <JobFrame job={job} house={house} isWhole={isWhole} survey={survey} assessed={assessed} stage="walk">
      <h1 className={classes.unseen}>Walk: {house.address ?? noAddress}</h1>
      <div className={classes.walk}>
        <Rooms
          {...{ survey, isPainted }}
          house={later.house}
          assessment={later}
          nameOf={listed.nameOf}
          currentPlace={walk.here.currentPlace}
          onTake={listed.takeById}
          onTakePlace={walk.moves.take}
          onAddRoom={walk.moves.addRoom}
          onSheet={setSheet}
        />
        {walk.here.room === null ? (
          <FirstRoom />
        ) : (
          <CurrentReceptacle
            job={job}
            walk={walk}
            survey={survey}
            house={house}
            tester={tester}
            onHelp={help.open}
            onSheet={setSheet}
            onTake={listed.takeById}
            onTest={nextOrAny}
            triangleIs={triangleIs}
            planIs={planIs}
            onNextRoom={wayToNextRoom(house, walk)}
          />
        )}
        <VerdictPanel
          {...{ job, house, entries, walk, triangleIs, planIs }}
          circuit={circuitOf(assessment, walk)}
          onTake={takeById}
          isDoubted={here?.isDoubted === true}
          asksForHalves={asksForHalves(house)}
          nameOf={nameOf}
          onTest={test}
          onSheet={setSheet}
        />
      </div>
      <Dialogs {...{ job, house, entries, walk, hazardOf, asked, setAsked, sheet, setSheet, help }} />
    </JobFrame>
  );
}
