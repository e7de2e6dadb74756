import { type Practice, usualPractice } from '../knowledge/index.ts';
import type { Phrase } from './phrases.ts';

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
  /** Offered while somebody types, in the order in which they were saved; left out where there are none. */
  readonly phrases?: readonly Phrase[];
  /** Days that a photo's bytes are kept after it was taken back; left out where nobody chose. */
  readonly photoDays?: number;
}

/** Long enough for a second look, and for a backup to hold it. */
export const usualPhotoDays = 90;

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
  'photo-keeping-chosen',
  'practice-chosen',
  'reference-checked',
  'wording-saved',
];
