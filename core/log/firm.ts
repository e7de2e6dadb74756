import { type Practice, usualPractice } from '../knowledge/index.ts';

export interface Letterhead {
  /** What stands below the firm's name. */
  readonly lines: string | null;
  readonly licence: string | null;
  /** A data address of a PNG or JPEG picture. */
  readonly mark: string | null;
}

/** Places of the report that a firm words itself. */
export const wordingPlaces = ['introduction', 'method', 'closing'] as const;
export type WordingPlace = (typeof wordingPlaces)[number];

/** How a firm decides, words and heads its reports. */
export interface FirmSettings {
  readonly letterhead: Letterhead;
  readonly practice: Practice;
  /** The standard of practice that inspections follow. */
  readonly standard: string | null;
  /** Its own words for places of the report. */
  readonly wordings: Readonly<Partial<Record<WordingPlace, string>>>;
}

/** One object for all firms that have settled nothing: whoever shows it sees that nothing changed. */
export const usualFirm: FirmSettings = {
  letterhead: { lines: null, licence: null, mark: null },
  practice: usualPractice,
  standard: null,
  wordings: {},
};

/** Kinds of entries that only an owner of the firm may make. */
export const ownersKinds: readonly string[] = [
  'letterhead-described',
  'practice-chosen',
  'reference-checked',
  'wording-saved',
];
