import type { ReferenceId } from './references.ts';
import type { Schools } from './schools.ts';
import type { Worker } from './ways.ts';

/** How a school takes a remedy. */
export type Standing = 'complete' | 'good' | 'partial' | 'not-accepted' | 'dangerous';

export interface AluminumRemedy {
  readonly name: string;
  /** What each school says of it. */
  readonly views: Readonly<
    Record<Schools['aluminum'], { readonly standing: Standing; readonly says: string }>
  >;
  readonly by: Worker;
  readonly references: readonly ReferenceId[];
}

const refused = { standing: 'not-accepted', says: 'no' } as const;
const danger = { standing: 'dangerous', says: 'dangerous' } as const;

/** Remedies for aluminum branch wiring of 10 AWG and thinner, the surest first. */
export const aluminumRemedies = {
  rewire: {
    name: 'Rewire in copper',
    views: {
      regulator: { standing: 'complete', says: 'complete' },
      retrofit: { standing: 'complete', says: 'complete, rarely worth it' },
      cautious: { standing: 'complete', says: 'complete' },
    },
    by: 'electrician',
    references: ['cpsc-516'],
  },
  'cold-weld': {
    name: 'Copper pigtails by a cold-weld crimp connector system',
    views: {
      regulator: { standing: 'complete', says: 'complete' },
      retrofit: { standing: 'good', says: 'good' },
      cautious: { standing: 'good', says: 'good' },
    },
    by: 'trained-installer',
    references: ['cpsc-516'],
  },
  'set-screw': {
    name: 'Copper pigtails by set-screw lug connectors listed for aluminum to copper',
    views: {
      regulator: { standing: 'good', says: 'next best' },
      retrofit: { standing: 'good', says: 'good' },
      cautious: { standing: 'good', says: 'good' },
    },
    by: 'electrician',
    references: ['cpsc-516', 'nec-110.14'],
  },
  'twist-on': {
    name: 'Copper pigtails by twist-on connectors listed for aluminum to copper, with antioxidant compound',
    views: {
      regulator: { standing: 'partial', says: 'not a permanent repair' },
      retrofit: { standing: 'good', says: 'the usual job; to be looked at every one or two years' },
      cautious: { standing: 'partial', says: 'taken by most insurers with a certificate' },
    },
    by: 'electrician',
    references: ['cpsc-516', 'nec-110.14'],
  },
  'co-alr': {
    name: 'Devices marked CO/ALR',
    views: {
      regulator: { standing: 'partial', says: 'incomplete: for an emergency, or part of a repair' },
      retrofit: { standing: 'good', says: 'acceptable where the style is made' },
      cautious: { standing: 'not-accepted', says: 'not relied on' },
    },
    by: 'electrician',
    references: ['cpsc-516', 'nec-406.3', 'nec-404.14'],
  },
  checked: {
    name: 'Left as it is after a licensed electrician’s full check, with a letter',
    views: {
      regulator: refused,
      retrofit: { standing: 'partial', says: 'rare' },
      cautious: { standing: 'partial', says: 'rare; the insurer decides' },
    },
    by: 'electrician',
    references: ['cpsc-516'],
  },
  'plain-device': {
    name: 'Devices marked CU-AL, or not marked for aluminum',
    views: { regulator: refused, retrofit: refused, cautious: refused },
    by: 'electrician',
    references: ['nec-406.3', 'nec-404.14'],
  },
  taped: {
    name: 'Aluminum and copper twisted together under tape',
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
    const { standing } = aluminumRemedies[id].views[school];
    return standing === 'complete' || standing === 'good';
  });
