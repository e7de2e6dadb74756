import { regions } from '@fair-plug/core/knowledge';
import { isRatedFor, type Tester } from '@fair-plug/core/log';
import type { Survey } from '@fair-plug/core/report';
import type { Spoken } from '@fair-plug/core/words';
import { Button } from '@mantine/core';
import { useMediaQuery } from '@mantine/hooks';
import Link from 'next/link';
import { memo, useMemo, useState } from 'react';
import { AskWhat, type Explanation } from '@/components/explained';
import { useRegion, useWords } from '@/components/region-words';
import { RoomMap } from '@/components/room-map';
import { TesterLamps } from '@/components/tester-lamps';
import { useDrawn } from '@/components/use-drawn';
import { CameraKey } from './camera-key';
import classes from './current-receptacle.module.css';
import { PatternKeys } from './pattern-keys';
import { pressOnce } from './press-once';
import { TriangleInput } from './triangle-input';
import type { Walk } from './use-walk';
import { mainAction } from './use-walk-keys';
import { type SheetId, sheetWords } from './words';

export interface CurrentReceptacleProps {
  readonly job: string;
  readonly walk: Walk;
  readonly tester: Tester | null;
  readonly survey: Survey;
  readonly onHelp: () => void;
  readonly onSheet: (sheet: SheetId) => void;
  readonly onTake: (receptacle: string) => void;
  readonly triangleIs: Explanation;
  readonly planIs: Explanation;
  /** Opens the next test that is worth doing, or any reading. */
  readonly onTest: () => void;
  /** null: there is no other room. */
  readonly onNextRoom: (() => void) | null;
}

function statusOf({ record: { isBusy, failure, notice }, shown: { isDraft, isRead } }: Walk): string {
  if (isBusy) return 'Recording …';
  if (failure !== null) return failure;
  if (isDraft) return 'Not recorded yet';
  return notice || (isRead ? 'Recorded' : 'Not read');
}

/** What a photo taken now is of. */
const photographed = (job: string, { here: { name }, record: { canRecord, statement } }: Walk) => ({
  job,
  name,
  canRecord,
  statement,
});

/** The current receptacle: its triangle and lamps as the input, and the keys that record. */
export function CurrentReceptacle({
  job,
  walk,
  survey,
  tester,
  onHelp,
  onSheet,
  onTake,
  triangleIs,
  planIs,
  onTest,
  onNextRoom,
}: CurrentReceptacleProps) {
  const region = useRegion();
  const words = useWords();
  const room = walk.here.room?.id;
  const marks = useMemo(
    () => (room === undefined ? [] : marksOf(survey, room, words)),
    [survey, room, words],
  );
  const isPhone = useMediaQuery('(max-width: 48em)', false);
  const isIn = walk.shown.isRead && !walk.shown.isDraft;
  return (
    <section className={classes.hand} aria-label="Current receptacle">
      <header className={classes.title}>
        <h2 className={classes.name}>{walk.here.name}</h2>
        <p className={classes.status} role="status">
          {statusOf(walk)}
        </p>
        <span className={classes.beside}>
          <span className={classes.camera} data-in={isIn}>
            <CameraKey {...photographed(job, walk)} className={classes.kind} />
          </span>
          <KindButton walk={walk} onSheet={onSheet} />
        </span>
        <FunctionCheckLine survey={survey} tester={tester} onProve={() => onSheet('function-checks')} />
      </header>
      <div className={classes.face}>
        <TriangleInput
          lamps={walk.shown.lamps}
          corners={walk.shown.verdict?.contacts}
          size={isPhone ? (isIn ? 124 : 156) : 250}
          onEdge={walk.shown.toggle}
        />
        <div className={classes.tester}>
          {tester === null ? (
            <Link prefetch={false} href="/kit" className={classes.setUp}>
              Set up your tester
            </Link>
          ) : (
            <>
              <TesterLamps layout={tester.layout} lamps={walk.shown.lamps} onLamp={walk.shown.toggle} />
              <span>{tester.name}</span>
              {!isRatedFor(tester.rating, regions[region].nominalVolts) && (
                <p role="alert" className={classes.unfit}>
                  Rated below {regions[region].nominalVolts} V: not for this house.
                </p>
              )}
            </>
          )}
        </div>
        {walk.here.room !== null && (
          <div className={classes.map}>
            <span className={classes.askPlan}>
              <AskWhat explanation={planIs} what="the rectangle" />
            </span>
            <RoomMap
              name={walk.here.room.name}
              door={walk.here.room.door}
              currentPlace={walk.here.receptacle?.id ?? null}
              next={walk.here.nextSpot}
              marks={marks}
              onTake={onTake}
              {...(walk.record.canRecord ? { onWall: walk.moves.placeAt } : {})}
            />
          </div>
        )}
        <span className={classes.askTriangle}>
          <AskWhat explanation={triangleIs} what="the triangle" />
        </span>
      </div>
      <Keys walk={walk} job={job} onHelp={onHelp} onSheet={onSheet} onTest={onTest} onNextRoom={onNextRoom} />
    </section>
  );
}

type KeysProps = Pick<
  CurrentReceptacleProps,
  'job' | 'walk' | 'onHelp' | 'onSheet' | 'onTest' | 'onNextRoom'
>;

/** What is pressed at every receptacle: the lamps, and the way on; once they are read, what may come after. */
function Keys({ job, walk, onHelp, onSheet, onTest, onNextRoom }: KeysProps) {
  const words = useWords();
  const { shown, record, here } = walk;
  const [again, setAgain] = useState<string | null>(null);
  const place = `${here.currentPlace?.room} ${here.currentPlace?.receptacle}`;
  const main = mainAction(walk, words);
  const isIn = shown.isRead && !shown.isDraft;
  const { canRecord } = record;
  const isToRead = main.key === '1';
  const notReached = useMemo(
    () =>
      isToRead && (
        <button
          type="button"
          className={classes.patternKey}
          disabled={!canRecord}
          onClick={() => onSheet('not-reached')}
          aria-keyshortcuts={sheetWords['not-reached'].key}
        >
          <span>Not reached</span>
          <kbd>{sheetWords['not-reached'].key}</kbd>
        </button>
      ),
    [isToRead, canRecord, onSheet],
  );
  const doMain = useDrawn((at: number) => main.act(at));
  const goToNextRoom = useDrawn(() => onNextRoom?.());
  return (
    <div className={classes.keys}>
      {isIn && (
        <div className={classes.after}>
          <button type="button" className={classes.afterKey} onClick={onTest}>
            {shown.next === null ? 'Enter a reading' : 'Next test'}
          </button>
          <CameraKey {...photographed(job, walk)} className={classes.afterKey} words="Photo" />
          <button
            type="button"
            className={classes.afterKey}
            disabled={!record.canRecord}
            onClick={() => onSheet('note')}
          >
            Note
          </button>
          <button
            type="button"
            className={classes.afterKey}
            aria-pressed={again === place}
            onClick={() => setAgain(again === place ? null : place)}
          >
            Read again
          </button>
        </div>
      )}
      <PatternKeys
        lamps={shown.isDraft ? null : shown.lamps}
        onPattern={record.pattern}
        without={isToRead ? 'hn-hg' : null}
        isFolded={isIn && again !== place}
      >
        {notReached}
      </PatternKeys>
      <div className={classes.actions}>
        <MainKey words={main.words} hint={main.key} isOff={!canRecord} onPress={doMain} />
        {onNextRoom !== null && (
          <SideKey words="Next room" hint="↓" shortcut="ArrowDown" onPress={goToNextRoom} />
        )}
        <SideKey words="Undo" hint="U" shortcut="U" onPress={record.undo} />
      </div>
      <button type="button" className={classes.help} onClick={onHelp}>
        <kbd>?</kbd> all keys
      </button>
    </div>
  );
}

interface MainKeyProps {
  readonly words: string;
  readonly hint: string;
  readonly isOff: boolean;
  /** `at`: the time stamp of the press. */
  readonly onPress: (at: number) => void;
}

const MainKey = memo(function MainKey({ words, hint, isOff, onPress }: MainKeyProps) {
  return (
    <Button
      className={classes.main ?? ''}
      size="lg"
      disabled={isOff}
      onClick={(event) => onPress(event.timeStamp)}
      onKeyDown={pressOnce}
      rightSection={<kbd className={classes.kbd}>{hint}</kbd>}
    >
      {words}
    </Button>
  );
});

interface SideKeyProps extends Pick<MainKeyProps, 'words' | 'hint'> {
  readonly shortcut: string;
  readonly onPress: () => void;
}

const SideKey = memo(function SideKey({ words, hint, shortcut, onPress }: SideKeyProps) {
  return (
    <Button
      variant="default"
      size="lg"
      onClick={onPress}
      aria-keyshortcuts={shortcut}
      rightSection={<kbd className={classes.kbd}>{hint}</kbd>}
    >
      {words}
    </Button>
  );
});

/** The receptacle's kind; where something was just taken back, the way to put it back stands there instead, and nothing moves. */
function KindButton({ walk, onSheet }: Pick<CurrentReceptacleProps, 'walk' | 'onSheet'>) {
  const words = useWords();
  const { here, record } = walk;
  if (record.mayRedo)
    return (
      <button type="button" className={classes.kind} onClick={record.redo} aria-keyshortcuts="Shift+U">
        Redo <kbd className={classes.kbd}>⇧U</kbd>
      </button>
    );
  return (
    <button type="button" className={classes.kind} onClick={() => onSheet('kind')} aria-keyshortcuts="T">
      {here.type === null ? 'Kind?' : words.receptacleTypes[here.type]} <kbd className={classes.kbd}>T</kbd>
    </button>
  );
}

const marksOf = (survey: Survey, room: string, words: Spoken) =>
  (survey.rooms.find(({ id }) => id === room)?.lines ?? []).map(
    ({ id, name, spot, lamps, verdict, hasFinding }) => ({
      id,
      name: `${name}: ${verdict === null ? 'not read' : words.verdict(verdict).headline.toLowerCase()}`,
      spot,
      lamps,
      corners: verdict?.contacts,
      hasFinding,
    }),
  );

/** Says that the tester was not proved, or failed; nothing while all is well. */
function FunctionCheckLine({
  survey,
  tester,
  onProve,
}: {
  readonly survey: Survey;
  readonly tester: Tester | null;
  readonly onProve: () => void;
}) {
  const words = useWords();
  const check = survey.proofs.find(
    (one) => one.instrument === 'lamps' && one.tester === (tester?.id ?? null),
  );
  const state = check?.state ?? 'not-proved';
  if (state === 'proved' || state === 'proved-before') return null;
  return (
    <button
      type="button"
      className={classes.proof}
      data-state={state}
      onClick={onProve}
      aria-keyshortcuts="P"
    >
      Tester {words.functionChecks[state]} <kbd className={classes.kbd}>P</kbd>
    </button>
  );
}
