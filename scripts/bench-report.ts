import { writeFileSync } from 'node:fs';
import { lampPatterns, lampsOf } from '@fair-plug/core/instruments';
import type { JobStatement } from '@fair-plug/core/log';
import { request } from 'playwright-core';
import { v7 } from 'uuid';
import { machineWords } from './bench/machine.ts';
import { uploadedPhotos } from './bench/photos.ts';
import { author } from './demo/ids.ts';
import { startOwnServer } from './own-server.ts';
import { writeSections } from './pages.ts';

/** The PDF of a large report, made on the server; writes its section of docs/performance.md. `--keep FILE` keeps one. */
const receptacleCount = 150;
const findingCount = 40;
const perRoom = 10;
const prints = 5;
const photoCount = 60;
/** From the report's screen having said that somebody looks at it to the PDF being wanted. */
const lookMilliseconds = 4000;
const unusedMilliseconds = 62_000;

const device = v7();
let time = Date.now() - 1_000_000;
const entry = (statement: JobStatement) => {
  time += 1000;
  return { id: v7(), device, author, at: new Date(time).toISOString(), ...statement };
};

/** So many receptacles with so many findings: what readings lead to, and the rest worded by hand. */
function largeReport() {
  const log = [entry({ kind: 'job-described', address: '150 Long Row', yearBuilt: 1985 })];
  for (let room = 0; room * perRoom < receptacleCount; room += 1) {
    const roomId = v7();
    log.push(entry({ kind: 'room-described', room: roomId, name: `Room ${room + 1}` }));
    for (let number = 1; number <= perRoom; number += 1) {
      const receptacle = v7();
      const name = `Room ${room + 1}-${number}`;
      log.push(
        entry({
          kind: 'receptacle-described',
          receptacle,
          room: roomId,
          name,
          spot: (number - 0.5) / perRoom,
        }),
      );
      const pattern = number === 4 ? (lampPatterns[room % lampPatterns.length] ?? 'hn-hg') : 'hn-hg';
      log.push(entry({ kind: 'lamps-read', receptacle, lamps: lampsOf(pattern) }));
    }
  }
  for (let own = 0; own < findingCount - 9; own += 1)
    log.push(
      entry({
        kind: 'finding-added',
        finding: `own ${v7()}`,
        urgency: 'repair',
        headline: `Cord through wall ${own + 1}`,
        what: 'A cord runs through the wall in place of fixed wiring.',
        why: 'It chafes, heats and is no wiring method.',
        correction: 'A licensed electrician adds a receptacle.',
        by: 'electrician',
        receptacles: [],
      }),
    );
  return log;
}

const { origin, memory, stop } = await startOwnServer(3190, 15490);
const client = await request.newContext({ baseURL: origin, extraHTTPHeaders: { origin } });
await client.post('/api/demo');
const job = v7();
const answer = await client.post('/api/jobs', { data: { job, entries: largeReport() } });
if (!answer.ok()) throw new Error(await answer.text());

let bytes = Buffer.alloc(0);
async function printed(wanted = job): Promise<number> {
  const from = performance.now();
  const lines = await client.post(`/api/jobs/${wanted}/report`, {
    data: { language: 'en' },
    timeout: 60_000,
  });
  const last = JSON.parse((await lines.text()).trimEnd().split('\n').at(-1) ?? '{}');
  if (last.stage !== 'done') throw new Error(last.message);
  bytes = Buffer.from(last.pdf, 'base64');
  return (performance.now() - from) / 1000;
}

// As the report's screen does when it was looked at for a moment.
await client.post('/api/press', { data: {} });
await new Promise((done) => setTimeout(done, lookMilliseconds));
const first = await printed();
const later: number[] = [];
for (let print = 0; print < prints; print += 1) {
  await new Promise((done) => setTimeout(done, lookMilliseconds));
  later.push(await printed());
}
const atOnce: number[] = [];
for (let print = 0; print < prints; print += 1) atOnce.push(await printed());
// After a while without reports there is no browser.
await new Promise((done) => setTimeout(done, unusedMilliseconds));
const cold = await printed();
const own = bytes;
// The same house once more, with photos.
const withPhotos = v7();
const answered = await client.post('/api/jobs', { data: { job: withPhotos, entries: largeReport() } });
if (!answered.ok()) throw new Error(await answered.text());
const sent = await uploadedPhotos(client, origin, withPhotos, photoCount, {
  sizeOf: (index) => (index % 2 === 0 ? 'large' : 'small'),
  width: 2048,
  height: 1536,
});
const before = memory();
let [server, printer] = [0, 0];
const watch = setInterval(() => {
  const now = memory();
  server = Math.max(server, now.server);
  printer = Math.max(printer, now.printer);
}, 200);
await client.post('/api/press', { data: {} });
await new Promise((done) => setTimeout(done, lookMilliseconds));
const firstWithPhotos = await printed(withPhotos);
const againWithPhotos = await printed(withPhotos);
clearInterval(watch);
const photoBytes = bytes;
await client.dispose();
await stop();
const keep = process.argv.indexOf('--keep');
const file = process.argv[keep + 1];
if (keep !== -1 && file !== undefined) writeFileSync(file, photoBytes);

const text = `${receptacleCount} receptacles and ${findingCount} findings, printed by the server's own Chromium (${machineWords()}). Written by \`npm run bench:report\`.

| what | measured | aim |
|---|---|---|
| the first report, its screen looked at for ${lookMilliseconds / 1000} s before | ${first.toFixed(1)} s | at most 5 s |
| ${prints} more, each ${lookMilliseconds / 1000} s after the other, worst | ${Math.max(...later).toFixed(1)} s | at most 5 s |
| ${prints} more, each at once after the other, worst | ${Math.max(...atOnce).toFixed(1)} s | at most 5 s |
| asked for out of the blue, no browser running | ${cold.toFixed(1)} s | at most 5 s |
| size of the PDF | ${(own.length / 1e6).toFixed(2)} MB | at most 5 MB |
| with ${photoCount} photos besides (${(sent / 1e6).toFixed(0)} MB as they were sent, half of them large), the first time | ${firstWithPhotos.toFixed(1)} s | at most 8 s |
| and once more | ${againWithPhotos.toFixed(1)} s | at most 8 s |
| size of that PDF | ${(photoBytes.length / 1e6).toFixed(1)} MB | at most 15 MB |
| memory of the web server and its watcher, before and at most meanwhile | ${Math.round(before.server)} and ${Math.round(server)} MB | |
| memory of the Chromium that prints, at most | ${Math.round(printer)} MB | |`;
process.stdout.write(`${text}\n`);
writeSections('performance.md', null, [{ heading: '## The report as a PDF', text }]);
