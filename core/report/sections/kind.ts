import type { FirmSettings, Tester } from '../../log/index.ts';
import { type FillIns, filledIn } from '../fill-in.ts';
import type { OwnerTexts } from '../owner-texts.ts';
import type { Report } from '../report.ts';

/** All that the sections of a report draw on. */
export interface Reported {
  readonly report: Report;
  readonly firm: FirmSettings;
  /** Plug-in testers of the firm, by which the report calls them. */
  readonly testers: readonly Tester[];
  readonly fillIns: FillIns;
  /** Of the owner's page. */
  readonly ownerTexts: OwnerTexts;
}

/** What a firm says itself in a place of the report; null where it says nothing. */
export const ownWording = (
  { firm, fillIns }: Reported,
  place: keyof FirmSettings['wordings'],
): string | null => {
  const wording = firm.wordings[place];
  return wording === undefined ? null : filledIn(wording, fillIns);
};

/** A part of a line; strong where it must not be overlooked. */
export type Run = string | { readonly strong: string };

/** What a section says, as it is laid out. */
export type Block =
  | { readonly kind: 'text'; readonly line: readonly Run[]; readonly isOwn?: true }
  | { readonly kind: 'list'; readonly items: readonly (readonly Run[])[] }
  | { readonly kind: 'terms'; readonly rows: readonly (readonly [term: string, definition: string])[] };

/** Times as a reader has them: a day, a day in short, an hour. */
export interface Clock {
  readonly day: (at: string) => string;
  readonly shortDay: (at: string) => string;
  readonly hour: (at: string) => string;
}
