import { counted } from '../counted.ts';
import type { ScreenWords } from '../screen-words.ts';

export const screens: ScreenWords = {
  contacts: { hot: 'Hot', neutral: 'Neutral', ground: 'Ground' },
  pairs: { hn: 'Hot–neutral', hg: 'Hot–ground', ng: 'Neutral–ground' },
  probed: { hot: 'Hot (narrow slot)', neutral: 'Neutral (wide slot)', ground: 'Ground' },
  settle: {
    probe: 'probe the contacts',
    meter: 'measure the pairs',
    'lamps-loads-off': 'loads off, read again',
    'prove-tester': 'prove the tester',
  },
  receptacles: (count) => counted(count, 'receptacle', 'receptacles'),
  receptacle: 'Receptacle',
  receptaclesTitle: 'Receptacles',
  walk: {
    groundFaultTest: 'Ground-fault test',
    hazards: {
      'live-ground': 'Not here now: a live ground is not ruled out. Hold the probe to the ground first.',
      'lost-neutral':
        'Not here now: a neutral may be lost. Breaker off first; no live tests and no switching of loads.',
      'floating-ground':
        'Not here now: the ground may lead nowhere, and current into it lifts every metal case joined to it.',
      'hot-neutral-only':
        'Between hot and neutral only. The ground may lead nowhere: to it this meter puts up to 40 mA on every metal case that is joined to it, and may trip a device. To the ground only with everything unplugged.',
      'bad-splice':
        'Not again: a bad connection on this circuit was loaded once, and takes a few hundred watts each time.',
      'ten-seconds':
        'Ten seconds at the most, and once: a bad connection of an ohm or more is held on this circuit, and takes a few hundred watts while it is loaded.',
      seen: 'Not on this circuit: scorch, heat, water or aluminum was seen on it.',
      'keeps-power': 'Not now: something in this house must not lose power.',
      'probe-first': 'Hold the probe to the contacts here first; where it sounds nowhere it may be deaf.',
      'meter-first': 'Measure here at rest first.',
      'lamps-first': 'Only where the lamps read correct here.',
      'no-proven-ground': 'No ground was proved yet that this could be measured against.',
      'instrument-in-doubt': 'This instrument is in doubt: try it on a source known to be live first.',
    },
    panel: 'Panel',
    aluminum: 'Aluminum',
    changeLamps: 'Change the lamp hot–neutral, neutral–ground, hot–ground',
    previousNext: 'Previous, next receptacle in the room',
    add: 'Add a receptacle to the room',
    triangleIs:
      'The triangle is the receptacle: hot at the top, neutral on the left, ground on the right. Each edge is a lamp between two of them, thick where it is lit. Tap an edge to change its lamp.',
    planIs:
      'The rectangle is the room from above, with a gap for its door. Each receptacle stands on its wall; until somebody places it, where it stands is a guess. Tap a wall to place the one in hand.',
    roundTheRoom: 'Then take its receptacles one after another, always in the same direction round the room.',
    readBefore: (condition) =>
      `It read ${condition} before. Unless somebody put it right since, it comes and goes.`,
    testersAgain: 'Testers again, on a receptacle known to be good',
    allRead: 'Every receptacle on the list was read, or has a reason.',
    nothingHere: 'Nothing was recorded here yet: what is in hand is the place for the next receptacle.',
    adapter:
      'Its tab grounds only where plate screw, yoke, box and raceway all are continuous: verify with the meter, else take it as ungrounded.',
    sliders: 'The first slider moves the receptacle along the walls, the second the door.',
    jumper: 'A jumper from neutral to ground',
    whichAreDead: 'Which receptacles are dead now?',
    lostServiceNeutral: 'a lost service neutral. Call the utility.',
  },
  prepare: {
    grounds: 'Grounds in the wiring',
    aluminumNearby: 'Aluminum wiring next door',
    shouldRead: 'A receptacle should read',
    expectedIn: (room) => `Receptacles expected in ${room}`,
    noRooms: 'Add rooms with the receptacles expected in them; then a sample can be weighed.',
    inSample: 'Receptacles in the sample',
    devicesBesides: 'and every ground-fault device besides',
    listTitle: (file) => `Receptacles from ${file ?? 'a list'}`,
    sayColumns: 'Say which columns hold the room and the receptacle.',
    tryEach: 'Try each on a receptacle known to be live and good',
  },
  findings: {
    splitOff: 'Split off receptacles',
    toSplitOff: 'Receptacles to split off',
    refusedAt: 'Its reason stands in the report at each of its receptacles.',
    looksAtIt: 'A licensed electrician looks at it.',
    explainsAll: 'It explains all of these receptacles.',
    howManyCauses: (count) =>
      `One cause upstream may explain several of these ${count} receptacles; until their breaker is known, the readings do not tell whether it is one or more.`,
    remediesFor: 'For 10 AWG and thinner',
    remediesNote: (reference) =>
      `${reference}: homes wired with it before 1972 were found 55 times as likely to have a connection reach fire-hazard condition. Local authority and insurer decide. Conductors of 8 AWG and thicker (range, dryer, feeders) are another matter: their terminals are checked.`,
  },
  report: {
    documentTitle: (address) => `Receptacle inspection, ${address}`,
    deviceCuts: (device) => `The ground-fault device at ${device} cuts the power of `,
    tested: (count, expected) =>
      `${count} of ${counted(expected, 'receptacle was', 'receptacles were')} tested`,
    devicesBesides: (sample) => `; ${sample} were planned, and every ground-fault device besides`,
    notOnTheList: 'Receptacles that are not on the list were not.',
    codeDecides: 'The local code decides.',
    authorityDecides: 'The local code and the authority having jurisdiction decide.',
    badInTheHouse: 'bad receptacles in the house',
  },
};
