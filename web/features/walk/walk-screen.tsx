'use client';

import { reportOn } from '@fair-plug/core/report';
import { useMemo } from 'react';
import { JobFrame } from '@/components/job-frame';
import { JobLoader, type LoadedJob } from '@/components/job-loader';
import { useChosenTester } from '@/local/use-chosen-tester';
import { AddRoom } from './add-room';
import { Hand } from './hand';
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
  const walk = useWalk(job, house, entries, tester?.id ?? null);
  const help = useWalkKeys(house, walk);
  const report = useMemo(() => reportOn(house), [house]);
  return (
    <JobFrame job={job} house={house} report={report} stage="walk">
      <h1 className={classes.unseen}>Walk: {house.address}</h1>
      <div className={classes.walk}>
        <nav className={classes.rooms} aria-label="Rooms">
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
        <VerdictPanel walk={walk} />
      </div>
      <WalkKeysHelp opened={help.opened} onClose={help.close} />
    </JobFrame>
  );
}
