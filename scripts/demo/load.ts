import { lampsOf } from '@fair-plug/core/instruments';
import { chained, type JobEntry, type JobStatement, type KitStatement } from '@fair-plug/core/log';
import { createPerson } from '../../web/data/credentials.ts';
import type { Connection } from '../../web/data/database.ts';
import { demoEmail } from '../../web/data/demo.ts';
import { FirmData } from '../../web/data/firm-data.ts';
import { appendToKit, openJob } from '../../web/data/logs.ts';
import { takePiece } from '../../web/data/photos/arriving.ts';
import { readOn } from './circuits.ts';
import { type DemoHouse, demoFirm, demoHouses } from './houses.ts';
import { author, beganAt, idFor } from './ids.ts';
import { demoParts } from './parts.ts';
import { demoPhotos } from './photos.ts';

const device = idFor('device');
const tester = idFor('tester');

function stamped<S extends JobStatement | KitStatement>(statement: S, msecs: number, what: string) {
  return { id: idFor(what, msecs), device, author, at: new Date(msecs).toISOString(), ...statement };
}

/** The log of a demo house: described at the start, then walked, a receptacle every 40 seconds. */
export function logOf(house: DemoHouse, photos: readonly JobStatement[] = []): JobEntry[] {
  let clock = Date.parse(house.begun);
  const log: JobEntry[] = [];
  const record = (statement: JobStatement, seconds: number): void => {
    clock += seconds * 1000;
    log.push(stamped(statement, clock, `${house.address} ${log.length}`));
  };
  const { address, client, yearBuilt, about, described } = house;
  record({ kind: 'job-described', address, client, yearBuilt, about, ...described }, 0);
  const idOf = (name: string): string => idFor(`${address} ${name}`);
  const placed = house.rooms.map((room) => {
    const roomId = idFor(`${address} ${room.name}`);
    const expected = room.receptacles > 0 ? { expected: room.receptacles } : {};
    record({ kind: 'room-described', room: roomId, name: room.name, ...expected }, 2);
    const receptacles = Array.from({ length: room.receptacles }, (_, index) => {
      const name = `${room.name} ${index + 1}`;
      const receptacle = idOf(name);
      // Evenly round the room, beginning behind the door in the lower wall.
      const spot = Math.round(((0.7 + (index + 0.3) / room.receptacles) % 1) * 1000) / 1000;
      const type = house.types?.[name] ?? 'three-slot';
      record({ kind: 'receptacle-described', receptacle, room: roomId, name, type, spot }, 1);
      return receptacle;
    });
    return { room, receptacles };
  });
  if (house.rooms.some(({ walked }) => walked))
    record({ kind: 'tester-proved', instrument: 'lamps', tester, passed: true }, 90);
  for (const { room, receptacles } of placed) {
    if (!room.walked) continue;
    receptacles.forEach((receptacle, index) => {
      const pattern = room.shows?.[index + 1] ?? 'hn-hg';
      record({ kind: 'lamps-read', receptacle, tester, lamps: lampsOf(pattern) }, 40);
    });
  }
  recordObserved(house, idOf, record);
  if (house.hasParts) for (const statement of demoParts(idOf)) record(statement, 12);
  for (const { at, shown } of house.taken ?? [])
    record({ kind: 'reading-taken', receptacle: idOf(at), shown }, 30);
  recordCircuits(house, idOf, record);
  for (const statement of photos) record(statement, 8);
  return [...chained(log, null).entries];
}

/** Which breaker feeds what, in which order, and what was read along it. */
function recordCircuits(
  { circuits = [] }: DemoHouse,
  idOf: (name: string) => string,
  record: (statement: JobStatement, seconds: number) => void,
): void {
  for (const circuit of circuits) {
    const { breaker, run, shares } = circuit;
    for (const one of [{ breaker, run }, ...(shares === undefined ? [] : [shares])])
      one.run.forEach((name, index) => {
        record({ kind: 'receptacle-fed', receptacle: idOf(name), breaker: one.breaker, place: index + 1 }, 5);
      });
    if (shares !== undefined) record({ kind: 'circuit-described', breaker, sharesWith: shares.breaker }, 5);
    for (const { at, shown } of readOn(circuit))
      record({ kind: 'reading-taken', receptacle: idOf(at), shown }, 30);
  }
}

/** Looks, ground-fault tests, and what was not reached. */
function recordObserved(
  { looks = {}, devices = {}, notReached = {} }: DemoHouse,
  idOf: (name: string) => string,
  record: (statement: JobStatement, seconds: number) => void,
): void {
  for (const [name, look] of Object.entries(looks))
    record({ kind: 'look-noted', receptacle: idOf(name), look, seen: true }, 5);
  for (const [name, others] of Object.entries(devices)) {
    const receptacle = idOf(name);
    record(
      { kind: 'ground-fault-tested', receptacle, by: 'tester-button', result: 'tripped', heldSeconds: 0.4 },
      20,
    );
    const dead = [receptacle, ...others.map(idOf)];
    record({ kind: 'went-dead', by: { kind: 'device', receptacle }, dead, powerBack: true }, 20);
    for (const protectedOne of others)
      record(
        { kind: 'protection-noted', receptacle: idOf(protectedOne), labels: ['protected'], resetAt: name },
        5,
      );
  }
  for (const [name, reason] of Object.entries(notReached))
    record({ kind: 'not-reached', receptacle: idOf(name), reason }, 5);
}

/** Loads the demo firm, its kit and its jobs into an empty database. */
export async function loadDemo(connection: Connection, password: string): Promise<void> {
  await createPerson(connection, { name: demoFirm.person, email: demoEmail, password }, author);
  const firm = await FirmData.found(connection, {
    firm: { id: idFor('organization'), name: demoFirm.organization },
    owner: author,
    kit: idFor('kit'),
  });
  const described: KitStatement = {
    kind: 'tester-described',
    tester,
    name: demoFirm.tester,
    rating: 'CAT III, 300 V',
    layout: [
      { pair: 'hg', colour: 'white' },
      { pair: 'ng', colour: 'blue' },
      { pair: 'hn', colour: 'white' },
    ],
  };
  const by = { person: { id: author, name: demoFirm.person }, role: 'owner' } as const;
  await appendToKit(firm, by, [
    stamped(described, beganAt, 'tester described'),
    stamped({ kind: 'letterhead-described', ...demoFirm.letterhead }, beganAt, 'letterhead'),
    stamped({ kind: 'practice-chosen', ...demoFirm.practice }, beganAt, 'practice'),
    stamped({ kind: 'wording-saved', of: 'introduction', text: demoFirm.introduction }, beganAt, 'wording'),
  ]);
  for (const house of demoHouses) {
    const job = idFor(house.address, Date.parse(house.begun));
    const photos = house.hasParts ? await demoPhotos((name) => idFor(`${house.address} ${name}`)) : [];
    const log = logOf(
      house,
      photos.flatMap(({ statements }) => statements),
    );
    await openJob(firm, by, job, log);
    for (const { hash, bytes } of photos)
      await takePiece(firm, { job, hash, from: 0, total: bytes.length, bytes, burnt: null });
  }
}
