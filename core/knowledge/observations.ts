import type { Region } from './regions.ts';

/** What can be noted of a house and its receptacles beside what testers show. */

/** Kinds of receptacle; North American first, then those of 230 V countries. */
export const receptacleTypes = [
  'three-slot',
  'two-slot',
  'ground-fault',
  'arc-fault',
  'switched',
  'split',
  'twenty-amp',
  'range-or-dryer',
  'single-socket',
  'twin-socket',
  'protected-socket',
] as const;
export type ReceptacleType = (typeof receptacleTypes)[number];

/** Types with a ground-fault device of their own. */
export const isGroundFaultType = (type: ReceptacleType): boolean =>
  type === 'ground-fault' || type === 'protected-socket';

/** What is seen or felt without opening anything, the most pressing first; then what surrounds it. */
export const looks = [
  'scorch',
  'heat',
  'buzzing',
  'wet',
  'cracked',
  'loose',
  'missing-plate',
  'painted',
  'hole-up',
  'open-junction-box',
  'splice-outside-box',
  'extension-cord',
] as const;
export type Look = (typeof looks)[number];

/** Why a receptacle was not reached. */
export const notReachedReasons = [
  'furniture',
  'locked',
  'occupied',
  'unsafe',
  'height',
  'refused',
  'other',
] as const;
export type NotReachedReason = (typeof notReachedReasons)[number];

/** What must be as it was found before the inspector leaves. */
export const closeOutItems = [
  'devices-reset',
  'breakers-as-found',
  'plugged-in',
  'freezer',
  'sump',
  'clocks',
] as const;
export type CloseOutItem = (typeof closeOutItems)[number];

export const conductorMetals = ['copper', 'aluminum', 'tinned-copper', 'copper-clad', 'not-sure'] as const;
export type ConductorMetal = (typeof conductorMetals)[number];

/** What is printed on a cable's jacket about its metal. */
export const jacketMarks = ['aluminum', 'none'] as const;
export type JacketMark = (typeof jacketMarks)[number];

export const insulations = ['plastic', 'cloth-or-rubber', 'brittle', 'grey'] as const;
export type Insulation = (typeof insulations)[number];

/** Marks on a device that tell which conductors it accepts. */
export const deviceMarkings = ['none', 'co-alr', 'cu-al', 'cu-only'] as const;
export type DeviceMarking = (typeof deviceMarkings)[number];

/** Labels that protected and ungrounded receptacles need. */
export const protectionLabels = ['protected', 'no-equipment-ground'] as const;
export type ProtectionLabel = (typeof protectionLabels)[number];

/** Why people must be kept away. */
export const dangers = ['live-ground', 'overvoltage', 'scorch', 'wet', 'buzzing'] as const;
export type Danger = (typeof dangers)[number];

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
