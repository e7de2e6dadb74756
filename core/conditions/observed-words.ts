import type {
  DeviceMarking,
  Insulation,
  JacketMark,
  LeavingItem,
  NotReachedReason,
  ProtectionLabel,
  ReceptacleType,
} from './observations.ts';
import type { Region } from './regions.ts';

/** What is noted of a house, as it stands on screens and in reports. */

export const typeWords: Readonly<Record<ReceptacleType, string>> = {
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
  'protected-socket': 'Socket with its own RCD',
};

/** The types that a region's houses have. */
export const typesIn: Readonly<Record<Region, readonly ReceptacleType[]>> = {
  'north-america': [
    'three-slot',
    'two-slot',
    'ground-fault',
    'arc-fault',
    'switched',
    'split',
    'twenty-amp',
    'range-or-dryer',
  ],
  uk: ['single-socket', 'twin-socket', 'protected-socket'],
};

export const reasonWords: Readonly<Record<NotReachedReason, string>> = {
  furniture: 'Behind furniture',
  locked: 'Locked',
  occupied: 'In use',
  unsafe: 'Unsafe',
  height: 'Too high',
  refused: 'Refused',
  other: 'Other',
};

export const leavingWords: Readonly<Record<LeavingItem, string>> = {
  'devices-reset': 'Ground-fault devices reset',
  'breakers-as-found': 'Breakers as they were found',
  'plugged-in': 'What was unplugged is plugged in again',
  freezer: 'Freezer and refrigerator run',
  sump: 'Sump pump has power',
  clocks: 'Clocks and timers looked at',
};

export const insulationWords: Readonly<Record<Insulation, string>> = {
  plastic: 'Plastic, sound',
  'cloth-or-rubber': 'Cloth or rubber',
  brittle: 'Brittle',
  grey: 'All gone grey',
};

export const jacketWords: Readonly<Record<JacketMark, string>> = {
  aluminum: 'AL, ALUM or ALUMINUM',
  none: 'None about metal',
};

export const markingWords: Readonly<Record<DeviceMarking, string>> = {
  none: 'None seen',
  'co-alr': 'CO/ALR',
  'cu-al': 'CU-AL (older, proved inadequate)',
  'cu-only': 'Copper only',
};

export const labelWords: Readonly<Record<ProtectionLabel, string>> = {
  protected: '“GFCI Protected”',
  'no-equipment-ground': '“No Equipment Ground”',
};
