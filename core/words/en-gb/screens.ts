import { counted } from '../counted.ts';
import type { ScreenWords } from '../screen-words.ts';

export const screens: ScreenWords = {
  contacts: { hot: 'Line', neutral: 'Neutral', ground: 'Earth' },
  pairs: { hn: 'Line–neutral', hg: 'Line–earth', ng: 'Neutral–earth' },
  probed: { hot: 'Line', neutral: 'Neutral', ground: 'Earth' },
  settle: {
    probe: 'probe the contacts',
    meter: 'measure the pairs',
    'lamps-loads-off': 'loads off, read again',
    'prove-tester': 'prove the tester',
  },
  receptacles: (count) => counted(count, 'socket-outlet', 'socket-outlets'),
  receptacle: 'Socket-outlet',
  receptaclesTitle: 'Socket-outlets',
  walk: {
    groundFaultTest: 'RCD test',
    hazards: {
      'live-ground': 'Not here now: a live earth is not ruled out. Hold the probe to the earth first.',
      'lost-neutral':
        'Not here now: a neutral may be lost. Circuit off first; no live tests and no switching of loads.',
      'floating-ground':
        'Not here now: the earth may lead nowhere, and current into it lifts every metal case joined to it.',
      'hot-neutral-only':
        'Between line and neutral only. The earth may lead nowhere: to it this meter puts up to 80 mA on every metal case that is joined to it, and may trip a device. To the earth only with everything unplugged.',
      'bad-splice':
        'Not again: a bad connection on this circuit was loaded once, and takes a few hundred watts each time.',
      'ten-seconds':
        'Ten seconds at the most, and once: a bad connection of an ohm or more is held on this circuit, and takes a few hundred watts while it is loaded.',
      seen: 'Not on this circuit: scorch, heat, water or aluminium was seen on it.',
      'keeps-power': 'Not now: something in this house must not lose power.',
      'probe-first': 'Hold the probe to the contacts here first; where it sounds nowhere it may be deaf.',
      'meter-first': 'Measure here at rest first.',
      'lamps-first': 'Only where the lamps read correct here.',
      'no-proven-ground': 'No earth was proved yet that this could be measured against.',
      'instrument-in-doubt': 'This instrument is in doubt: try it on a source known to be live first.',
    },
    panel: 'Consumer unit',
    aluminum: 'Aluminium',
    changeLamps: 'Change the lamp line–neutral, neutral–earth, line–earth',
    previousNext: 'Previous, next socket-outlet in the room',
    add: 'Add a socket-outlet to the room',
    triangleIs:
      'The triangle is the socket-outlet: line at the top, neutral on the left, earth on the right. Each edge is a lamp between two of them, thick where it is lit. Tap an edge to change its lamp.',
    planIs:
      'The rectangle is the room from above, with a gap for its door. Each socket-outlet stands on its wall; until somebody places it, where it stands is a guess. Tap a wall to place the one in hand.',
    roundTheRoom:
      'Then take its socket-outlets one after another, always in the same direction round the room.',
    readBefore: (condition) =>
      `It read ${condition} before. Unless somebody put it right since, it comes and goes.`,
    testersAgain: 'Testers again, on a socket-outlet known to be good',
    allRead: 'Every socket-outlet on the list was read, or has a reason.',
    nothingHere: 'Nothing was recorded here yet: what is in hand is the place for the next socket-outlet.',
    adapter: 'It earths nothing by itself: verify with the meter, else take it as unearthed.',
    sliders: 'The first slider moves the socket-outlet along the walls, the second the door.',
    jumper: 'A jumper from neutral to earth',
    whichAreDead: 'Which socket-outlets are dead now?',
    lostServiceNeutral: 'a lost neutral of the supply. Call the network operator.',
  },
  prepare: {
    grounds: 'Earths in the wiring',
    aluminumNearby: 'Aluminium wiring next door',
    shouldRead: 'A socket-outlet should read',
    expectedIn: (room) => `Socket-outlets expected in ${room}`,
    noRooms: 'Add rooms with the socket-outlets expected in them; then a sample can be weighed.',
    inSample: 'Socket-outlets in the sample',
    devicesBesides: 'and every RCD besides',
    listTitle: (file) => `Socket-outlets from ${file ?? 'a list'}`,
    sayColumns: 'Say which columns hold the room and the socket-outlet.',
    tryEach: 'Try each on a socket-outlet known to be live and good',
  },
  findings: {
    splitOff: 'Split off socket-outlets',
    toSplitOff: 'Socket-outlets to split off',
    refusedAt: 'Its reason stands in the report at each of its socket-outlets.',
    looksAtIt: 'A registered electrician looks at it.',
    explainsAll: 'It explains all of these socket-outlets.',
    howManyCauses: (count) =>
      `One cause upstream may explain several of these ${count} socket-outlets; until their breaker is known, the readings do not tell whether it is one or more.`,
    remediesFor: 'For final circuits',
    remediesNote: () =>
      'What a repair is worth here is a matter for whoever enforces BS 7671 and for the insurer. Thicker conductors are another matter: their terminals are checked.',
  },
  report: {
    documentTitle: (address) => `Socket-outlet inspection, ${address}`,
    deviceCuts: (device) => `The RCD at ${device} cuts the power of `,
    tested: (count, expected) =>
      `${count} of ${counted(expected, 'socket-outlet was', 'socket-outlets were')} tested`,
    devicesBesides: (sample) => `; ${sample} were planned, and every RCD besides`,
    notOnTheList: 'Socket-outlets that are not on the list were not.',
    codeDecides: 'BS 7671 decides.',
    authorityDecides: 'BS 7671 and whoever enforces it decide.',
    badInTheHouse: 'bad socket-outlets in the house',
  },
};
