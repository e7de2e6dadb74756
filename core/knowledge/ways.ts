import type { ReferenceId } from './references.ts';

/** Accepted where its conditions hold; for a time only; or never, however often it is met. */
export type Standing = 'accepted' | 'temporary' | 'not-accepted';

/** One way to put a condition right, or to live with it. */
export interface Way {
  readonly standing: Standing;
  readonly by: Worker;
  readonly references: readonly ReferenceId[];
}

/** What a language says of a way. */
export interface WayWords {
  readonly name: string;
  /** Where it may be chosen. */
  readonly when: string;
  /** What stays unsafe or missing after it; null: nothing. */
  readonly leaves: string | null;
  /** What must be put on the receptacle or its plate; what a label says, in quotes. */
  readonly labels: readonly string[];
}

/** Who may do the work. */
export const workers = ['electrician', 'trained-installer', 'utility', 'owner'] as const;
export type Worker = (typeof workers)[number];

const electrician = { standing: 'accepted', by: 'electrician' } as const;
const never = { ...electrician, standing: 'not-accepted', references: [] } as const;

export const ways = {
  'own-terminals': {
    ...electrician,
    references: ['nec-200.10', 'nec-200.11'],
  },
  'first-exchange': {
    ...electrician,
    references: ['nec-200.11'],
  },
  'remake-connection': {
    ...electrician,
    references: ['nec-110.14'],
  },
  'splice-and-pigtail': {
    ...electrician,
    references: ['nec-300.13', 'nec-110.14'],
  },
  'restore-ground': {
    ...electrician,
    references: ['nec-250.148'],
  },
  'run-ground': {
    ...electrician,
    references: ['nec-250.130', 'nec-406.4-d3'],
  },
  'new-cable': {
    ...electrician,
    references: ['nec-406.4-d3'],
  },
  'protection-without-ground': {
    ...electrician,
    references: ['nec-406.4-d2'],
  },
  'two-slot': {
    ...electrician,
    references: ['nec-406.4-d2'],
  },
  'verified-adapter': {
    standing: 'temporary',
    by: 'owner',
    references: [],
  },
  'three-slot-without-ground': {
    ...never,
  },
  'jumper-to-neutral': {
    ...never,
    references: ['nec-250.142'],
  },
  'remove-jumper': {
    ...electrician,
    references: ['nec-250.142'],
  },
  'separate-neutral-and-ground': {
    ...electrician,
    references: ['nec-250.142'],
  },
  'free-the-ground': {
    ...electrician,
    references: ['nec-250.148'],
  },
  'repair-shared-neutral': {
    ...electrician,
    references: ['nec-300.13'],
  },
  'utility-neutral': {
    ...electrician,
    by: 'utility',
    references: [],
  },
  'restore-power': {
    ...electrician,
    references: ['nec-110.14'],
  },
  'reset-device': {
    ...electrician,
    by: 'owner',
    references: [],
  },
  'replace-protection': {
    ...electrician,
    references: ['ul-943', 'nec-406.4-d3'],
  },
  'replace-receptacle': {
    ...electrician,
    references: ['nec-406.4-d3'],
  },
  'shorter-or-fatter': {
    ...electrician,
    references: ['nec-210.19'],
  },
  'smaller-breaker': {
    ...electrician,
    references: ['nec-240.4'],
  },
} as const satisfies Readonly<Record<string, Way>>;

export type WayId = keyof typeof ways;
