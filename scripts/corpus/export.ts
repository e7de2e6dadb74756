import { writeJobFile } from '@fair-plug/core/exchange';
import type { InstrumentId } from '@fair-plug/core/instruments';
import { foldKit, type JobEntry, type KitEntry, type KitStatement } from '@fair-plug/core/log';
import { demoHouses } from '../demo/houses.ts';
import { logOf } from '../demo/load.ts';
import { type KeptHouse, type KeptJob, keepPart } from './corpus.ts';
import { digestOf, outcomeOf, plain } from './outcome.ts';
import { randomHouse } from './random-house.ts';

// What this build makes of logs, kept for builds to come: run once, before what is kept changes its form.

const kept = 200;
/** Judged sooner than this, a house is looked at by every run of the tests. */
const quickMilliseconds = 150;

function keptHouse(seed: number): KeptHouse {
  const { kit, entries } = randomHouse(seed);
  const began = performance.now();
  const { house, judgement, findings } = outcomeOf(entries, kit);
  const isQuick = performance.now() - began < quickMilliseconds;
  return { seed, kit, entries, outcome: { judgement, findings }, house: digestOf(house), isQuick };
}

const wholeKit: readonly InstrumentId[] = ['lamps', 'meter', 'probe', 'loaded', 'gfci-button', 'own-button'];

const keptJob = (
  name: string,
  job: string,
  entries: readonly JobEntry[],
  kit: readonly InstrumentId[],
): KeptJob => ({
  name,
  kit,
  file: writeJobFile({ job, entries, authors: {}, links: [] }),
  outcome: outcomeOf(entries, kit),
});

/** Of random houses those that do not take long, so that every run of the tests looks at all. */
function jobs(): readonly KeptJob[] {
  const ofDemo = demoHouses.map((house, index) =>
    keptJob(house.address, `01900000-0000-7000-8000-0000000000${10 + index}`, logOf(house), wholeKit),
  );
  const drawn: KeptJob[] = [];
  for (let seed = 1000; drawn.length < 8; seed += 1) {
    const { job, entries, kit } = randomHouse(seed);
    const began = performance.now();
    const kept = keptJob(`random ${seed}`, job, entries, kit);
    if (performance.now() - began < quickMilliseconds) drawn.push(kept);
  }
  return [...ofDemo, ...drawn];
}

const id = (n: number): string => `01900000-0000-7000-8000-${n.toString(16).padStart(12, '0')}`;

/** Every kind of entry that a kit's log holds, and each kind of statement twice where the later one counts. */
const kitStatements: readonly KitStatement[] = [
  {
    kind: 'tester-described',
    tester: id(1),
    name: 'Pocket tester',
    rating: 'CAT III, 300 V',
    layout: [
      { pair: 'hg', colour: 'white' },
      { pair: 'ng', colour: 'blue' },
      { pair: 'hn', colour: 'white' },
    ],
  },
  {
    kind: 'tester-described',
    tester: id(2),
    name: 'Old tester',
    layout: [
      { pair: 'hg', colour: 'green' },
      { pair: 'hn', colour: 'green' },
      { pair: 'ng', colour: 'red' },
    ],
  },
  { kind: 'tester-proved', instrument: 'lamps', tester: id(1), passed: true },
  { kind: 'tester-proved', instrument: 'probe', passed: false },
  { kind: 'tester-proved', instrument: 'meter', passed: true },
  {
    kind: 'room-template-saved',
    template: id(3),
    name: 'Ranch',
    rooms: [
      { name: 'Den', expected: 4 },
      { name: 'Hall', expected: null },
    ],
  },
  { kind: 'room-template-saved', template: id(4), name: 'Flat', rooms: [{ name: 'Kitchen', expected: 6 }] },
  { kind: 'room-template-saved', template: id(4), name: 'Flat', rooms: [] },
  {
    kind: 'letterhead-described',
    lines: '4 Weir Lane, Hollowmere',
    licence: 'HI-2041',
    mark: 'data:image/png;base64,iVBORw0KGgo=',
  },
  { kind: 'letterhead-described', licence: null },
  {
    kind: 'practice-chosen',
    edition: '2023',
    standard: 'the firm’s own',
    groundFaultRules: 'us',
    schools: { aluminum: 'retrofit' },
    checked: [],
  },
  { kind: 'wording-saved', of: 'introduction', text: 'At {address} we tested the receptacles.' },
  { kind: 'wording-saved', of: 'closing', text: null },
  { kind: 'wording-saved', of: { correctionOf: 'reversed-polarity' }, text: 'Exchange hot and neutral.' },
] as readonly KitStatement[];

function kit() {
  const made = kitStatements.map(
    (statement, second) =>
      ({
        id: id(0x100 + second),
        device: id(5),
        author: id(6),
        at: new Date(Date.UTC(2026, 4, 4, 8, 0, second)).toISOString(),
        ...statement,
      }) as KitEntry,
  );
  const entries: KitEntry[] = [
    ...made,
    {
      id: id(0x200),
      device: id(5),
      author: id(6),
      at: '2026-05-04T08:30:00.000Z',
      kind: 'withdrawn',
      entries: [id(0x104)],
    },
  ];
  return { entries, folded: plain(foldKit(entries)) };
}

const line = (part: string, [bytes, packed]: readonly [number, number]) =>
  console.log(`${part}: ${bytes} bytes, ${packed} packed`);
const houses = () => Array.from({ length: kept }, (_, index) => keptHouse(index + 1));

const asked = process.argv.slice(2);
const isAsked = (part: string) => asked.length === 0 || asked.includes(part);
if (isAsked('kit')) line('kit', keepPart('kit', kit()));
if (isAsked('jobs')) line('jobs', keepPart('jobs', jobs()));
if (isAsked('houses')) line('houses', keepPart('houses', houses()));
