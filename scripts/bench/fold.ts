import { lampsOf } from '@fair-plug/core/instruments';
import { HouseFold, type JobEntry, type JobStatement } from '@fair-plug/core/log';
import { v7 } from 'uuid';

const entries = 5000;

/** A long log: 20 rooms, 200 receptacles, read over and over. */
function longLog(): readonly JobEntry[] {
  const device = v7();
  let time = Date.parse('2026-05-04T07:00:00.000Z');
  const entry = (statement: JobStatement): JobEntry => {
    time += 1000;
    return { id: v7(), device, author: device, at: new Date(time).toISOString(), ...statement };
  };
  const rooms = Array.from({ length: 20 }, () => v7());
  const receptacles = Array.from({ length: 200 }, () => v7());
  const log = [
    entry({ kind: 'job-described', address: '14 Alder Rise' }),
    ...rooms.map((room, index) => entry({ kind: 'room-described', room, name: `Room ${index}` })),
    ...receptacles.map((receptacle, index) =>
      entry({
        kind: 'receptacle-described',
        receptacle,
        room: rooms[index % rooms.length] ?? '',
        name: `Receptacle ${index}`,
      }),
    ),
  ];
  while (log.length < entries + 100)
    log.push(
      entry({
        kind: 'lamps-read',
        receptacle: receptacles[log.length % receptacles.length] ?? '',
        lamps: lampsOf('hn-hg'),
      }),
    );
  return log;
}

/** Five thousand readings of one receptacle that arrive the latest first, and as many receptacles merged one into the next. */
function adverseLogs(): { readonly falling: readonly JobEntry[]; readonly merged: readonly JobEntry[] } {
  const device = v7();
  const entry = (statement: JobStatement, second: number): JobEntry => ({
    id: v7(),
    device,
    author: device,
    at: new Date(Date.parse('2026-05-04T07:00:00.000Z') + 1000 * second).toISOString(),
    ...statement,
  });
  const room = v7();
  const ids = Array.from({ length: entries }, () => v7());
  const at = ids[0] ?? '';
  return {
    falling: ids.map((_, index) =>
      entry({ kind: 'lamps-read', receptacle: at, lamps: lampsOf('hn') }, entries - index),
    ),
    merged: [
      ...ids.map((receptacle, index) =>
        entry({ kind: 'receptacle-described', receptacle, room, name: `Den ${index}` }, index),
      ),
      ...ids
        .slice(1)
        .map((into, index) =>
          entry({ kind: 'receptacle-merged', receptacle: ids[index] ?? '', into }, entries + index),
        ),
    ],
  };
}

const timed = (work: () => void): number => {
  const from = performance.now();
  work();
  return performance.now() - from;
};

const median = (values: readonly number[]): string =>
  (values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)] ?? Number.NaN).toPrecision(2);

/** The section on the fold, in Markdown. */
export function foldText(): string {
  const log = longLog();
  const whole: number[] = [];
  const one: number[] = [];
  for (let times = 0; times < 20; times += 1) {
    const from = performance.now();
    const fold = new HouseFold().add(log.slice(0, entries));
    if (fold.house.rooms.length !== 20) throw new Error('the fold went wrong');
    whole.push(performance.now() - from);
    for (const entry of log.slice(entries)) {
      const before = performance.now();
      if (fold.add([entry]).house.rooms.length !== 20) throw new Error('the fold went wrong');
      one.push(performance.now() - before);
    }
  }
  const adverse = adverseLogs();
  const falling = timed(() => {
    const fold = new HouseFold();
    for (let at = 0; at < entries; at += 500)
      if (fold.add(adverse.falling.slice(at, at + 500)).house.rooms.length !== 1)
        throw new Error('the fold went wrong');
  });
  const merged = timed(() => {
    const { house } = new HouseFold().add(adverse.merged);
    if (house.rooms[0]?.receptacles.length !== 1) throw new Error('the fold went wrong');
  });
  return `| what | median | aim |
|---|---|---|
| a log of ${entries} entries folded into a house | ${median(whole)} ms | under 20 ms |
| one entry more | ${median(one)} ms | under 1 ms |
| ${entries} readings of one receptacle, the latest first, in batches of 500 | ${falling.toFixed(0)} ms | under 1 s |
| ${entries} receptacles, each merged into the next | ${merged.toFixed(0)} ms | under 1 s |`;
}
