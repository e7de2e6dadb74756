'use client';

import { receptaclesOf } from '@fair-plug/core/inspection';
import { reportOn } from '@fair-plug/core/report';
import { useMemo, useState } from 'react';
import { JobFrame } from '@/components/job-frame';
import { JobLoader, type LoadedJob } from '@/components/job-loader';
import { useChosenTester } from '@/local/use-chosen-tester';
import { useJudgement } from '@/local/use-judgement';
import { AddRoom } from './add-room';
import { CausesList } from './causes-list';
import { Hand } from './hand';
import { type AskedReading, ReadingForm } from './reading-form';
import { RoomList } from './room-list';
import { useWalk } from './use-walk';
import { useWalkKeys } from './use-walk-keys';
import { VerdictPanel } from './verdict-panel';
import classes from './walk.module.css';
import { WalkKeysHelp } from './walk-keys-help';

export function WalkScreen() {
  return <JobLoader>{(loaded) => <Walk key={loaded.job} {...loaded} />}</JobLoader>;
}

function Walk({ job, house, entries }: LoadedJob) {
  const tester = useChosenTester();
  const judgement = useJudgement(job, house);
  const walk = useWalk(job, house, entries, tester?.id ?? null, judgement);
  const [asked, setAsked] = useState<AskedReading | null>(null);
  const names = useMemo(() => new Map(receptaclesOf(house).map(({ id, name }) => [id, name])), [house]);
  const nameOf = (id: string): string => names.get(id) ?? walk.name;
  const takeById = (id: string): void => {
    const room = house.rooms.find(({ receptacles }) => receptacles.some((one) => one.id === id));
    if (room?.id) walk.take({ room: room.id, receptacle: id });
  };
  const test = (at: string, reading: AskedReading): void => {
    if (at !== '' && at !== walk.inHand?.receptacle) takeById(at);
    setAsked(reading);
  };
  const help = useWalkKeys(house, walk, asked !== null, () =>
    setAsked({ instrument: 'meter', loadsOff: false }),
  );
  const report = useMemo(() => reportOn(house, judgement), [house, judgement]);
  return (
    <JobFrame job={job} house={house} report={report} stage="walk">
      <h1 className={classes.unseen}>Walk: {house.address}</h1>
      <div className={classes.walk}>
        <nav className={classes.rooms} aria-label="Rooms">
          {judgement !== null && <CausesList judgement={judgement} nameOf={nameOf} onTake={takeById} />}
          <RoomList report={report} house={house} inHand={walk.inHand} onTake={walk.take} />
          <AddRoom onAdd={walk.addRoom} />
        </nav>
        {walk.room === null ? (
          <section className={classes.empty}>
            <h2>Add the first room</h2>
            <p>Then take its receptacles one after another, always in the same direction round the room.</p>
          </section>
        ) : (
          <Hand walk={walk} tester={tester} onHelp={help.open} />
        )}
        <VerdictPanel walk={walk} nameOf={nameOf} onTest={test} />
      </div>
      <ReadingForm
        name={walk.name}
        asked={asked}
        groundMayBeLive={walk.judged === null || walk.judged.contacts.ground !== 'not-live'}
        onRecord={(shown) => {
          setAsked(null);
          walk.recordShown(shown);
        }}
        onClose={() => setAsked(null)}
      />
      <WalkKeysHelp opened={help.opened} onClose={help.close} />
    </JobFrame>
  );
}
