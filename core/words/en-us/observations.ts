import type { AssessmentWords } from '../../assessment/index.ts';
import type { ProtectedPlace } from '../../findings/index.ts';
import type { CatalogWords } from '../../knowledge/index.ts';

export const urgencies: CatalogWords['urgencies'] = {
  'act-now': 'Act now',
  repair: 'Repair',
  note: 'Note',
};

export const looks: CatalogWords['looks'] = {
  scorch: {
    name: 'Scorched',
    why: 'Something burned here: a connection that heats will heat again.',
    correction:
      'Breaker off and kept off; a licensed electrician opens it, cuts back to sound wire and replaces the device.',
  },
  heat: {
    name: 'Warm or hot',
    why: 'A plate that is warm with little on it has a poor connection behind it.',
    correction:
      'Switch off what is on it; where it is hot, breaker off and kept off before a plug is pulled. A licensed electrician looks at every connection in the box.',
  },
  buzzing: {
    name: 'Buzzing or crackling',
    why: 'An arc makes that sound.',
    correction:
      'Breaker off and kept off; a licensed electrician finds the loose connection before it is used again.',
  },
  wet: {
    name: 'Wet',
    why: 'Water joins contacts that must stay apart, and the person who touches it.',
    correction:
      'Do not use or test it; power off, switched from a dry place. A licensed electrician replaces it once the water is stopped; what has been wet inside is not dried.',
  },
  cracked: {
    name: 'Cracked or broken',
    why: 'Live parts can be reached, or soon will be.',
    correction: 'Not used until then: a licensed electrician replaces it and looks at its connections.',
  },
  loose: {
    name: 'Loose, or plugs fall out',
    why: 'Worn contacts heat; a loose device works its wires loose.',
    correction: 'A licensed electrician replaces it and looks at its connections.',
  },
  'missing-plate': {
    name: 'Plate missing',
    why: 'A finger or a toy reaches the live screws.',
    correction:
      'Fingers and children kept away; a licensed electrician fits a plate with the power off, and mends the box where it is damaged.',
  },
  painted: {
    name: 'Painted over',
    why: 'Paint in the slots keeps contacts apart and hides cracks.',
    correction: 'A licensed electrician replaces it and looks at its connections.',
  },
  'hole-up': {
    name: 'Ground hole up',
    why: 'Either way up is right: this is no defect.',
    correction: 'Nothing to do.',
  },
  'open-junction-box': {
    name: 'Open junction box near it',
    why: 'Live splices can be touched, and sparks get out.',
    correction: 'A licensed electrician looks at the splices with the power off, and fits a cover.',
  },
  'splice-outside-box': {
    name: 'Splice outside a box',
    why: 'A joint that heats has nothing around it that does not burn, and nobody finds it again.',
    correction: 'A licensed electrician moves it into a box with a cover that can be reached.',
  },
  'extension-cord': {
    name: 'Extension cord as wiring',
    why: 'Cords are thinner than wiring, are pinched and walked on, and are made for a time.',
    correction: 'A licensed electrician adds a receptacle where one is missing.',
  },
};

export const dangers: CatalogWords['dangers'] = {
  'live-ground': {
    name: 'live ground',
    stop: 'Stop. Metal joined to this ground may be live.',
    doThis: 'Touch no plate, screw or plugged-in case; keep people away; breaker off where you have leave.',
  },
  overvoltage: {
    name: 'overvoltage',
    stop: 'Stop. Voltage may be far above normal.',
    doThis: 'No plug in or out; keep people away; breaker off where you have leave.',
  },
  scorch: {
    name: 'scorch',
    stop: 'Stop testing here. It has burned or is heating.',
    doThis: 'No load on it, nothing plugged in; keep people away; breaker off where you have leave.',
  },
  wet: {
    name: 'water',
    stop: 'Stop. Water and live contacts.',
    doThis: 'Touch nothing; keep people away; the electrician cuts the power from a dry place.',
  },
  buzzing: {
    name: 'arcing',
    stop: 'Stop. It is arcing.',
    doThis: 'No plug in or out; keep people away; breaker off where you have leave.',
  },
};

export const receptacleTypes: CatalogWords['receptacleTypes'] = {
  'three-slot': 'Three-slot duplex',
  'two-slot': 'Two-slot',
  'ground-fault': 'Ground-fault',
  'arc-fault': 'Arc-fault',
  switched: 'Switched',
  split: 'Split: halves fed apart',
  'twenty-amp': '20 A',
  'range-or-dryer': '240 V range or dryer',
  'single-socket': 'Single socket',
  'twin-socket': 'Twin socket',
  'protected-socket': 'Socket with a ground-fault device of its own',
};

export const notReached: CatalogWords['notReached'] = {
  furniture: 'Behind furniture',
  locked: 'Locked',
  occupied: 'In use',
  unsafe: 'Unsafe',
  height: 'Too high',
  refused: 'Refused',
  other: 'Other',
};

export const closeOut: CatalogWords['closeOut'] = {
  'devices-reset': 'Ground-fault devices reset',
  'breakers-as-found': 'Breakers as they were found',
  'plugged-in': 'What was unplugged is plugged in again',
  freezer: 'Freezer and refrigerator run',
  sump: 'Sump pump has power',
  clocks: 'Clocks and timers looked at',
};

export const labels: CatalogWords['labels'] = {
  protected: '“GFCI Protected”',
  'no-equipment-ground': '“No Equipment Ground”',
};

/** What a try of a ground-fault device says. */
export const groundFault: AssessmentWords['groundFault'] = {
  tripped: 'Tripped as it should.',
  'no-power': 'No power at the device: tripped upstream, line and load exchanged, or at the end of its life.',
  failed: 'The ground-fault device passes current but no longer trips.',
  'no-trip':
    'Did not trip at a receptacle that reads correct: a failed device, wiring that leads past it, or a jumper from neutral to ground.',
  'says-nothing': 'No trip where the ground does not hold says nothing: only the device’s own button counts.',
};

/** Rooms that a ground-fault rule names. */
export const protectedPlaces: Readonly<Record<ProtectedPlace, string>> = {
  bathroom: 'bathroom',
  kitchen: 'kitchen',
  garage: 'garage',
  outdoors: 'outdoors',
  basement: 'basement',
  laundry: 'laundry',
};
