import { regions } from '@fair-plug/core/knowledge';
import { type House, isRatedFor, namesakeOf, type Tester } from '@fair-plug/core/log';
import type { Survey } from '@fair-plug/core/report';
import type { Spoken } from '@fair-plug/core/words';
import { useMediaQuery } from '@mantine/hooks';
import Link from 'next/link';
import { useMemo } from 'react';
import { AskWhat, type Explanation } from '@/components/explained';
import { useRegion, useWords } from '@/components/region-words';
import { RoomMap } from '@/components/room-map';
import { TesterLamps } from '@/components/tester-lamps';
import { CameraKey, photographed } from './camera-key';
import classes from './current-receptacle.module.css';
import { ReceptacleKeys, type ReceptacleKeysProps } from './receptacle-keys';
import { TriangleInput } from './triangle-input';
import type { Walk } from './use-walk';

export interface CurrentReceptacleProps extends ReceptacleKeysProps {
  readonly tester: Tester | null;
  readonly survey: Survey;
  readonly house: House;
  readonly onTake: (receptacle: string) => void;
  readonly triangleIs: Explanation;
  readonly planIs: Explanation;
}

function statusOf({ record: { isBusy, failure, notice }, shown: { isDraft, isRead } }: Walk): string {
  if (isBusy) return 'Recording …';
  if (failure !== null) return failure;
  if (isDraft) return 'Not recorded yet';
  return notice || (isRead ? 'Recorded' : 'Not read');
}

/** The current receptacle: its triangle and lamps as the input, and the keys that record. */
export function CurrentReceptacle({
  job,
  walk,
  survey,
  house,
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
  // Known as it is first drawn: drawn as on a desk and then made smaller, all below it would move away under a finger.
  const isPhone = useMediaQuery('(max-width: 48em)', false, { getInitialValueInEffect: false });
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
        <NamesakeLine house={house} walk={walk} onSheet={onSheet} />
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
      <ReceptacleKeys
        walk={walk}
        job={job}
        onHelp={onHelp}
        onSheet={onSheet}
        onTest={onTest}
        onNextRoom={onNextRoom}
      />
    </section>
  );
}

/** The receptacle's kind; where something was just taken back, the way to put it back stands there instead, and nothing moves. */
function KindButton({ walk, onSheet }: Pick<ReceptacleKeysProps, 'walk' | 'onSheet'>) {
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

/** Says that two receptacles were named alike; who reads it knows whether they are one. */
function NamesakeLine({ house, walk, onSheet }: Pick<CurrentReceptacleProps, 'house' | 'walk' | 'onSheet'>) {
  const { receptacle } = walk.here;
  const namesake = receptacle === null ? null : namesakeOf(house, receptacle);
  if (namesake === null) return null;
  return (
    <button type="button" className={classes.proof} onClick={() => onSheet('edit')} aria-keyshortcuts="E">
      Named like {namesake.name}: the same one? <kbd className={classes.kbd}>E</kbd>
    </button>
  );
}

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
