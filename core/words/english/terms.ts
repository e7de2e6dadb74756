import type { Contact, Pair } from '../../instruments/index.ts';
import type { ConditionId } from '../../knowledge/index.ts';
import { listed } from '../listed.ts';

/** English lists without a comma before "and", on both sides of the sea. */
export const english = 'en-GB';
export const and = listed(english);
export const or = listed(english, 'disjunction');
/** "Den 1, Den 2": names, one after the other. */
export const comma = (names: readonly string[]): string => names.join(', ');

/** As in the middle of a sentence; "RCD" stays as it is. */
export const lower = (text: string): string =>
  /^\p{Lu}{2}/u.test(text) ? text : text.charAt(0).toLowerCase() + text.slice(1);
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** What differs from one English to another wherever contacts and conductors are named. */
export interface Terms {
  /** "hot", "line" */
  readonly contacts: Readonly<Record<Contact, string>>;
  /** "H–N", "L–N" */
  readonly pairs: Readonly<Record<Pair, string>>;
  /** "H", "L" */
  readonly short: Readonly<Record<Contact, string>>;
  /** "the panel" */
  readonly panel: string;
  /** Names of conditions. */
  readonly conditionName: (id: ConditionId) => string;
}
