import type { ConditionId } from '../conditions/condition.ts';
import { type Practice, type ReferenceId, type Schools, usualPractice } from '../corrections/index.ts';
import type { KitEntry } from './entry.ts';
import type { WordingPlace } from './firm-entries.ts';

export interface Letterhead {
  /** What stands below the firm's name. */
  readonly lines: string | null;
  readonly licence: string | null;
  /** A data address of a PNG or JPEG picture. */
  readonly mark: string | null;
}

/** How a firm decides, words and heads its reports. */
export interface FirmSettings {
  readonly letterhead: Letterhead;
  readonly practice: Practice;
  /** The standard of practice that inspections follow. */
  readonly standard: string | null;
  /** Its own words for places of the report. */
  readonly wordings: Readonly<Partial<Record<WordingPlace, string>>>;
}

export const usualFirm: FirmSettings = {
  letterhead: { lines: null, licence: null, mark: null },
  practice: usualPractice,
  standard: null,
  wordings: {},
};

const settling: ReadonlySet<KitEntry['kind']> = new Set([
  'letterhead-described',
  'practice-chosen',
  'wording-saved',
]);

/** What the firm has settled, each by its latest word; entries in order, without those withdrawn. */
export function foldFirm(entries: readonly KitEntry[]): FirmSettings {
  // One object for all firms that have settled nothing: whoever shows it sees that nothing changed.
  if (!entries.some(({ kind }) => settling.has(kind))) return usualFirm;
  let { letterhead, practice, standard } = usualFirm;
  const wordings: Partial<Record<WordingPlace, string>> = {};
  const corrections: Partial<Record<ConditionId, string>> = {};
  for (const entry of entries)
    switch (entry.kind) {
      case 'letterhead-described': {
        const { lines = letterhead.lines, licence = letterhead.licence, mark = letterhead.mark } = entry;
        letterhead = { lines, licence, mark };
        break;
      }
      case 'practice-chosen': {
        const { schools, edition = practice.code.edition, checked = practice.code.checked } = entry;
        standard = entry.standard === undefined ? standard : entry.standard;
        practice = {
          ...practice,
          schools: { ...practice.schools, ...(schools as Partial<Schools> | undefined) },
          code: { edition, checked: checked as readonly ReferenceId[] },
          groundFaultRules: entry.groundFaultRules ?? practice.groundFaultRules,
        };
        break;
      }
      case 'wording-saved': {
        const { of, text } = entry;
        if (typeof of === 'string') {
          if (text === null) delete wordings[of];
          else wordings[of] = text;
        } else if (text === null) delete corrections[of.correctionOf];
        else corrections[of.correctionOf] = text;
        break;
      }
    }
  return { letterhead, standard, wordings, practice: { ...practice, corrections } };
}
