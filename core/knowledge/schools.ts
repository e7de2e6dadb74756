import { type Region, regions } from './regions.ts';

/** What a language says of one answer that practitioners give to a question on which they differ. */
export interface ViewWords {
  readonly name: string;
  readonly says: string;
  /** Who holds it: a publication, or common practice. */
  readonly source: string;
}

/** Where practitioners differ: the views there are, the one first that is held until the firm chooses. */
export const questions = {
  aluminum: ['regulator', 'retrofit', 'cautious'],
  'neutral-to-ground': ['two-volts', 'half-volt'],
  adapters: ['never', 'verified'],
  voltage: ['range-a', 'met'],
  'copper-clad': ['as-listed', 'as-aluminum'],
} as const;

export type QuestionId = keyof typeof questions;
export const questionIds = Object.keys(questions) as QuestionId[];
/** The questions that arise in a region: its own law decides which volts are within range where they are not 120. */
export const questionsIn = (region: Region): readonly QuestionId[] =>
  questionIds.filter((id) => id !== 'voltage' || regions[region].nominalVolts === 120);
export type Schools = { readonly [Q in QuestionId]: (typeof questions)[Q][number] };

/** What is held where a firm has not chosen. */
export const usualSchools = Object.fromEntries(
  questionIds.map((id) => [id, questions[id][0]]),
) as unknown as Schools;

/** The views of a question: the one held first, then the others'. */
export function viewsOf<Q extends QuestionId>(id: Q, schools: Schools): readonly Schools[Q][] {
  const held = schools[id];
  const all = questions[id] as unknown as readonly Schools[Q][];
  return [held, ...all.filter((view) => view !== held)];
}

/** Volts from neutral to ground under load up to which nothing is reported. */
export const neutralToGroundLimits = { 'two-volts': 2, 'half-volt': 0.5 } as const;

/** Volts hot to neutral at a 120 V receptacle, lowest and highest. */
export const voltageRanges = { 'range-a': [108, 126], met: [110, 127] } as const;
