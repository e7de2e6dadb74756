import type { ReferenceId } from './references.ts';
import type { Schools } from './schools.ts';
import type { Worker } from './ways.ts';

/** How a school takes a remedy. */
export type Standing = 'complete' | 'good' | 'partial' | 'not-accepted' | 'dangerous';

export interface AluminumRemedy {
  /** How each school takes it. */
  readonly views: Readonly<Record<Schools['aluminum'], Standing>>;
  readonly by: Worker;
  readonly references: readonly ReferenceId[];
}

const refused = 'not-accepted';
const danger = 'dangerous';

/** Remedies for aluminum branch wiring of 10 AWG and thinner, the surest first. */
export const aluminumRemedies = {
  rewire: {
    views: {
      regulator: 'complete',
      retrofit: 'complete',
      cautious: 'complete',
    },
    by: 'electrician',
    references: ['cpsc-516'],
  },
  'cold-weld': {
    views: {
      regulator: 'complete',
      retrofit: 'good',
      cautious: 'good',
    },
    by: 'trained-installer',
    references: ['cpsc-516'],
  },
  'set-screw': {
    views: {
      regulator: 'good',
      retrofit: 'good',
      cautious: 'good',
    },
    by: 'electrician',
    references: ['cpsc-516', 'nec-110.14'],
  },
  'twist-on': {
    views: {
      regulator: 'partial',
      retrofit: 'good',
      cautious: 'partial',
    },
    by: 'electrician',
    references: ['cpsc-516', 'nec-110.14'],
  },
  'co-alr': {
    views: {
      regulator: 'partial',
      retrofit: 'good',
      cautious: 'not-accepted',
    },
    by: 'electrician',
    references: ['cpsc-516', 'nec-406.3', 'nec-404.14'],
  },
  checked: {
    views: {
      regulator: refused,
      retrofit: 'partial',
      cautious: 'partial',
    },
    by: 'electrician',
    references: ['cpsc-516'],
  },
  'plain-device': {
    views: { regulator: refused, retrofit: refused, cautious: refused },
    by: 'electrician',
    references: ['nec-406.3', 'nec-404.14'],
  },
  taped: {
    views: { regulator: danger, retrofit: danger, cautious: danger },
    by: 'electrician',
    references: ['nec-110.14'],
  },
} as const satisfies Readonly<Record<string, AluminumRemedy>>;

export type AluminumRemedyId = keyof typeof aluminumRemedies;
export const aluminumRemedyIds = Object.keys(aluminumRemedies) as AluminumRemedyId[];

/** Remedies that the chosen school takes as a repair, the surest first. */
export const acceptedRemedies = (school: Schools['aluminum']): readonly AluminumRemedyId[] =>
  aluminumRemedyIds.filter((id) => {
    const standing: Standing = aluminumRemedies[id].views[school];
    return standing === 'complete' || standing === 'good';
  });
