import type { LampPattern, Shown } from '@fair-plug/core/instruments';
import type { Look, NotReachedReason, ReceptacleType } from '@fair-plug/core/knowledge';
import type { JobEntryOf } from '@fair-plug/core/log';
import { type DemoCircuit, demoCircuits } from './circuits.ts';

/** People, firms and places are invented. */
export const demoFirm = {
  organization: 'Hollowmere House Inspections',
  person: 'Tessa Quillon',
  tester: 'Pocket tester',
  letterhead: { lines: '4 Weir Lane, Hollowmere\nWeekdays from seven to six', licence: 'HI-2041' },
  practice: { edition: '2023', standard: 'the firm’s own, at least one receptacle a room' },
  introduction: 'At {address} we tested the receptacles that could be reached, on {date}.',
} as const;

/** What another instrument showed at a receptacle. */
export interface DemoReading {
  readonly at: string;
  readonly shown: Shown;
}

export interface DemoRoom {
  readonly name: string;
  /** How many receptacles the room has. */
  readonly receptacles: number;
  /** False while the walk has not come here. */
  readonly walked: boolean;
  /** What does not read correct, by the receptacle's number in the room. */
  readonly shows?: Readonly<Record<number, LampPattern>>;
}

export interface DemoHouse {
  readonly address: string;
  readonly client: string;
  readonly yearBuilt: number;
  readonly about: string;
  /** When the inspection began. */
  readonly begun: string;
  readonly rooms: readonly DemoRoom[];
  readonly groundedWiring?: boolean;
  readonly circuits?: readonly DemoCircuit[];
  readonly taken?: readonly DemoReading[];
  /** What else is said of the house as a whole. */
  readonly described?: Omit<Partial<JobEntryOf<'job-described'>>, 'kind' | 'id' | 'device' | 'author' | 'at'>;
  readonly types?: Readonly<Record<string, ReceptacleType>>;
  readonly looks?: Readonly<Record<string, Look>>;
  readonly notReached?: Readonly<Record<string, NotReachedReason>>;
  /** Ground-fault devices that were tried, each with what went dead besides. */
  readonly devices?: Readonly<Record<string, readonly string[]>>;
  /** Its panel, switches and hot spots were looked at. */
  readonly hasParts?: true;
}

const room = (
  name: string,
  receptacles: number,
  walked = true,
  shows: Readonly<Record<number, LampPattern>> = {},
): DemoRoom => ({ name, receptacles, walked, shows });

export const demoHouses: readonly DemoHouse[] = [
  {
    address: '3 Cooper’s Bend, Quillmere',
    client: 'Odile Farrant',
    yearBuilt: 1978,
    about: 'Bungalow on a crawl space',
    begun: '2026-11-23T07:40:00.000Z',
    rooms: [room('Living room', 0, false), room('Kitchen', 0, false), room('Bedroom', 0, false)],
  },
  {
    address: '27 Lantern Hollow, Quillmere',
    client: 'Bram and Nessa Averdale',
    yearBuilt: 1966,
    about: 'Split-level, addition 1989, kitchen redone 2004',
    begun: '2026-11-23T08:55:00.000Z',
    rooms: [
      room('Entry', 2),
      room('Living room', 6, true, { 5: 'hg', 6: 'hg' }),
      room('Dining room', 4, true, { 2: 'none' }),
      room('Kitchen', 7),
      room('Hall', 2),
      room('Bath', 1),
      room('Front bedroom', 4),
      room('Back bedroom', 4),
      room('Main bedroom', 6, true, { 2: 'hn' }),
      room('Family room', 7, true, { 5: 'hn-ng', 6: 'hn-ng', 7: 'hn-ng' }),
      room('Sunroom', 5, true, { 4: 'hg-ng' }),
      room('Den', 5, false),
      room('Laundry', 3, false),
      room('Garage', 4, false),
    ],
    circuits: demoCircuits,
    described: {
      storeys: 2,
      region: 'north-america',
      alterations: [
        { year: 1989, what: 'Addition: family room and sunroom' },
        { year: 2004, what: 'Kitchen redone' },
      ],
      breakerLeave: true,
      leaveFrom: 'the owner, by telephone',
      keepPowered: ['freezer in the garage', 'sump pump'],
      utilityOn: true,
      breakersFoundOff: '16, not labelled',
      devicesFoundTripped: 'none',
      present: 'the buyers and their agent',
    },
    types: {
      'Kitchen 2': 'ground-fault',
      'Bath 1': 'ground-fault',
      'Living room 2': 'switched',
    },
    looks: { 'Kitchen 3': 'hole-up', 'Front bedroom 2': 'painted', 'Dining room 2': 'scorch' },
    notReached: { 'Laundry 3': 'furniture' },
    hasParts: true,
    devices: { 'Kitchen 2': [3, 4, 5, 6, 7].map((number) => `Kitchen ${number}`), 'Bath 1': [] },
    taken: [
      {
        at: 'Sunroom 4',
        shown: { instrument: 'probe', hot: false, neutral: false, ground: true },
      },
    ],
  },
];
