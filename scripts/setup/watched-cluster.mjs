import { closeSync, openSync, statfsSync, writeSync } from 'node:fs';

/** Milliseconds from one look at the database to the next. */
const lookEvery = 1000;
const firstPause = 500;
const longestPause = 15_000;
/** PostgreSQL needs at least so many bytes to recover: a few segments of its log. */
const leastRoom = 48 * 2 ** 20;
/** Characters of what is said of the database, filled up with spaces. */
const stateLength = 200;

function hasRoom(folder) {
  const { bavail, bsize } = statfsSync(folder);
  return bavail * bsize >= leastRoom;
}

/**
 * Keeps a cluster running: where PostgreSQL is gone it is started again, with longer and longer pauses. What it does is
 * said on the standard error and written to `stateFile`, where the health of the server takes it from. `giveUp` is
 * called with the reason once it did not run for `patience` milliseconds; a disk that is full is waited for.
 */
export function watchCluster(cluster, { stateFile, patience, giveUp }) {
  const state = { restarts: 0, goneSince: null, reason: null };
  // Written over in place, so that it can be said even where the disk is full.
  const file = openSync(stateFile, 'w');
  let isOver = false;
  let turn = Promise.resolve();

  const told = (change) => {
    Object.assign(state, change);
    writeSync(file, JSON.stringify(state).padEnd(stateLength), 0);
  };
  const say = (message) => console.error(`${new Date().toISOString()} ${message}`);
  const pauseFor = (milliseconds) => new Promise((done) => setTimeout(done, milliseconds));

  async function startAgain() {
    say('The database is gone. It is started again.');
    told({ goneSince: new Date().toISOString(), reason: 'stopped' });
    let waited = 0;
    for (let pause = firstPause; !isOver; pause = Math.min(pause * 2, longestPause)) {
      const isFull = !hasRoom(cluster.folder);
      const failed = isFull ? 'The disk is full.' : await cluster.launch();
      if (failed === null) {
        told({ restarts: state.restarts + 1, goneSince: null, reason: null });
        say('The database runs again.');
        return;
      }
      const reason = isFull ? 'disk-full' : 'does-not-start';
      if (reason !== state.reason) {
        told({ reason });
        say(`The database does not start. ${failed}`);
      }
      if (waited > patience) {
        isOver = true;
        giveUp(failed);
        return;
      }
      const next = isFull ? lookEvery : pause;
      if (!isFull) waited += next;
      await pauseFor(next);
    }
  }

  told({});
  const timer = setInterval(() => {
    if (isOver || state.goneSince !== null || cluster.isRunning()) return;
    turn = startAgain().catch((error) => {
      isOver = true;
      giveUp(String(error));
    });
  }, lookEvery);

  return {
    /** Stops looking, and ends once a start that is under way has ended. */
    end: async () => {
      isOver = true;
      clearInterval(timer);
      await turn;
      closeSync(file);
    },
  };
}
