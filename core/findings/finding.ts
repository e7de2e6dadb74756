import type { Verdict } from '../assessment/index.ts';
import type { ConditionId } from '../knowledge/index.ts';
import type { House, Wording } from '../log/index.ts';
import type { FindingLanguage } from './finding-words.ts';
import type { Place } from './place.ts';

export type { Place } from './place.ts';

/** One thing that was read or seen. */
export interface Evidence {
  /** Where; null: of the house. */
  readonly receptacle: string | null;
  readonly words: string;
  /** ISO time; null where it is not of one moment. */
  readonly at: string | null;
}

export type { Wording } from '../log/index.ts';

/** What the readings and looks make of one cause, before anybody decided on it. */
export interface Proposal extends Wording {
  /** Stays the same while more is read about the same thing. */
  readonly key: string;
  /** What it says, apart from its words; the key where it always says the same. */
  readonly code?: string;
  /** People are kept away for it. */
  readonly isDanger?: boolean;
  /** Of what testers showed; null where it was seen or is of the whole house. */
  readonly verdict: Verdict | null;
  /** The entry of the catalog it belongs to; null where none does. */
  readonly condition: ConditionId | null;
  /** It reads otherwise, and that condition is only likely enough to be settled. */
  readonly isSuspected: boolean;
  /** Why it is as pressing as it is; null where the catalog says it or nobody needs to. */
  readonly urgencyReason: string | null;
  /** Where the electrician opens first, where the catalog or the cause does not say it; null: no box. */
  readonly openFirst: string | null;
  /** What is tested after the repair, where the catalog does not say it. */
  readonly retest: string | null;
  /** Beyond the cautions that every report ends with. */
  readonly cautions: readonly string[];
  /** Those that show it, in the order of the walk. */
  readonly receptacles: readonly Place[];
  /** Ids of panels, breakers, spots and points that it is about; left out where it is about none. */
  readonly parts?: readonly string[];
  readonly evidence: readonly Evidence[];
  /** The one cause behind them, where their circuit is known. */
  readonly cause: { readonly words: string; readonly where: string; readonly place: string | null } | null;
  /** How sure the engine is; null where nothing was computed. */
  readonly probability: number | null;
  readonly notRuledOut: readonly ConditionId[];
}

/** Where the electrician opens first for a condition, in a house with grounds, without, or of which it is not known. */
export const openFirstFor = (condition: ConditionId, house: House, words: FindingLanguage): string | null =>
  words.openFirst({
    condition,
    hasNoGrounds: house.groundedWiring === false,
    // A breaker that somebody saw comes before a device that nobody did.
    foundOff: isDark(condition) ? breakersFoundOff(house) : null,
  });

const isDark = (condition: ConditionId): boolean =>
  condition === 'open-hot' || condition === 'protection-tripped';

/** What was noted of breakers found off; null where nothing was, or that there were none. */
function breakersFoundOff({ breakersFoundOff: noted }: House): string | null {
  return noted === null || /^(none|no|nil|nothing|0|-|–)\.?$/i.test(noted) ? null : noted;
}

/** What a proposal is made of where nothing was computed. */
export const seenOnly = {
  by: 'electrician',
  verdict: null,
  condition: null,
  isSuspected: false,
  urgencyReason: null,
  cautions: [],
  evidence: [],
  cause: null,
  probability: null,
  notRuledOut: [],
} as const satisfies Partial<Proposal>;
