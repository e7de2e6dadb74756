import { createHash } from 'node:crypto';
import type { JobEntry, JobStatement, KitStatement } from '@fair-plug/core/inspection';
import { lampsOf } from '@fair-plug/core/instruments';
import { v7 } from 'uuid';
import type { Connection } from '../../web/data/database.ts';
import { foundFirm, hasFirms } from '../../web/data/firms.ts';
import { appendToKit, openJob } from '../../web/data/logs.ts';
import { type DemoHouse, demoFirm, demoHouses } from './houses.ts';

const beganAt = Date.parse('2026-11-23T07:30:00.000Z');

/** An id that is the same on every machine: made from what it names. */
function idFor(what: string, msecs = beganAt): string {
  const random = createHash('sha256').update(what).digest().subarray(0, 16);
  return v7({ msecs, random, seq: random.readUInt32BE(8) >>> 1 });
}

const author = idFor('person');
const device = idFor('device');
const tester = idFor('tester');

function stamped<S extends JobStatement | KitStatement>(statement: S, msecs: number, what: string) {
  return { id: idFor(what, msecs), device, author, at: new Date(msecs).toISOString(), ...statement };
}

/** The log of a demo house: described at the start, then walked, a receptacle every 40 seconds. */
function logOf(house: DemoHouse): JobEntry[] {
  let clock = Date.parse(house.begun);
  const log: JobEntry[] = [];
  const say = (statement: JobStatement, seconds: number): void => {
    clock += seconds * 1000;
    log.push(stamped(statement, clock, `${house.address} ${log.length}`));
  };
  const { address, client, yearBuilt, about } = house;
  say({ kind: 'job-described', address, client, yearBuilt, about }, 0);
  const idOf = (name: string): string => idFor(`${address} ${name}`);
  const placed = house.rooms.map((room) => {
    const roomId = idFor(`${address} ${room.name}`);
    say({ kind: 'room-described', room: roomId, name: room.name }, 2);
    const receptacles = Array.from({ length: room.receptacles }, (_, index) => {
      const name = `${room.name} ${index + 1}`;
      const receptacle = idOf(name);
      say({ kind: 'receptacle-described', receptacle, room: roomId, name }, 1);
      return receptacle;
    });
    return { room, receptacles };
  });
  for (const { room, receptacles } of placed) {
    if (!room.walked) continue;
    receptacles.forEach((receptacle, index) => {
      const pattern = room.shows?.[index + 1] ?? 'hn-hg';
      say({ kind: 'lamps-read', receptacle, tester, lamps: lampsOf(pattern) }, 40);
    });
  }
  for (const { at, shown } of house.taken ?? [])
    say({ kind: 'reading-taken', receptacle: idOf(at), shown }, 30);
  for (const { breaker, run } of house.circuits ?? [])
    run.forEach((name, index) => {
      say({ kind: 'receptacle-fed', receptacle: idOf(name), breaker, place: index + 1 }, 5);
    });
  return log;
}

/** Loads the demo firm, its kit and its jobs into an empty database; does nothing where there is a firm. */
export async function loadDemo(connection: Connection): Promise<void> {
  if (await hasFirms(connection)) return;
  const organization = idFor('organization');
  await foundFirm(connection, {
    organization: { id: organization, name: demoFirm.organization },
    person: { id: author, name: demoFirm.person },
    kit: idFor('kit'),
  });
  const described: KitStatement = {
    kind: 'tester-described',
    tester,
    name: demoFirm.tester,
    layout: [
      { pair: 'ng', colour: 'red' },
      { pair: 'hn', colour: 'amber' },
      { pair: 'hg', colour: 'amber' },
    ],
  };
  await appendToKit(connection, organization, [stamped(described, beganAt, 'tester described')]);
  for (const house of demoHouses) {
    const log = logOf(house);
    const id = idFor(house.address, Date.parse(house.begun));
    await openJob(connection, organization, id, log);
  }
}
