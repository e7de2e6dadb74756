import type { Assessment } from '../assessment/index.ts';
import type { Practice } from '../knowledge/index.ts';
import { type ConditionId, type Urgency, urgencies } from '../knowledge/index.ts';
import type { Held, House } from '../log/index.ts';
import { receptaclesOf } from '../log/index.ts';
import type { Place, Proposal, Wording } from './finding.ts';
import type { FindingLanguage } from './finding-words.ts';
import { codeOfHeadline } from './old-keys.ts';
import { proposalsFor } from './proposals.ts';
import { type Decisions, type FindingStatus, replayed, undecided } from './replayed.ts';

export type { FindingStatus } from './replayed.ts';

/** How a finding that somebody took over stands to what was read since. */
export interface Flag {
  readonly kind: 'gone' | 'reads-otherwise' | 'place-moved' | 'also-at' | 'no-longer-at';
  readonly words: string;
}

export type Edits = { readonly [K in keyof Wording]?: Wording[K] } & { readonly note?: string };

/** A finding as it goes into the report: what was proposed, what somebody made of it, and whether both still agree. */
export interface Finding extends Wording {
  readonly key: string;
  /** From 1 on in the report's order; 0 where it is not reported by itself. */
  readonly number: number;
  readonly status: FindingStatus;
  /** One accepted it and another refused it; open until somebody decides again. */
  readonly isAtOdds?: true;
  /** Why it was refused. */
  readonly reason: string | null;
  /** The engine's word today; null where nothing shows it any more, or somebody added it. */
  readonly proposal: Proposal | null;
  /** The engine's word when it was taken over; what an edit is made on. */
  readonly original: Wording;
  readonly edits: Edits;
  readonly note: string | null;
  readonly receptacles: readonly Place[];
  /** Keys of the findings reported as part of it. */
  readonly merged: readonly string[];
  /** The finding that it is reported as part of. */
  readonly into: string | null;
  readonly flags: readonly Flag[];
  readonly condition: ConditionId | null;
  /** That condition is only likely enough to be settled. */
  readonly isSuspected: boolean;
  readonly isOwn: boolean;
}

const restricted = (proposal: Proposal, keep: (place: Place) => boolean, key: string): Proposal | null => {
  const receptacles = proposal.receptacles.filter(keep);
  if (receptacles.length === proposal.receptacles.length && key === proposal.key) return proposal;
  const names = new Set(receptacles.map(({ name }) => name));
  return receptacles.length === 0
    ? null
    : {
        ...proposal,
        key,
        receptacles,
        evidence: proposal.evidence.filter(({ receptacle }) => receptacle === null || names.has(receptacle)),
      };
};

const wordingOf = ({ urgency, headline, what, why, correction, by }: Wording): Wording => ({
  urgency,
  headline,
  what,
  why,
  correction,
  by,
});

/** What a proposal says, apart from its words. */
const codeOf = ({ code, key }: Proposal): string => code ?? key;

/** Whether a proposal says what was taken over, whatever the words of either. */
function saysTheSame(held: Held, proposal: Proposal): boolean {
  const before = held.code ?? codeOfHeadline(held.headline);
  if (before !== null) return codeOf(proposal) === before;
  // What was held without a code, and names no other, says the same as long as it counts the same.
  const code = codeOf(proposal);
  const isOfKey = proposal.key === code || proposal.key.startsWith(`${code}:`);
  return proposal.headline === held.headline || (isOfKey && numbersIn(held) === numbersIn(proposal));
}

const numbersIn = ({ headline }: Wording): string => headline.match(/\d+/g)?.join() ?? '';

const isSamePlace = (
  { place, where }: Held,
  cause: NonNullable<Proposal['cause']>,
  words: FindingLanguage,
): boolean =>
  place === undefined ? where !== null && words.isSamePlace(where, cause.where) : place === cause.place;

/** Where what was read since departs from what was taken over. */
function flagsOf(
  held: Held,
  apart: ReadonlySet<string>,
  proposal: Proposal | null,
  nameOf: (id: string) => string,
  language: FindingLanguage,
): readonly Flag[] {
  const { flags: words } = language;
  if (proposal === null) return [{ kind: 'gone', words: words.gone }];
  const flags: Flag[] = [];
  if (!saysTheSame(held, proposal) || proposal.urgency !== held.urgency)
    flags.push({
      kind: 'reads-otherwise',
      words: words.readsOtherwise(proposal),
    });
  if (held.where !== null && proposal.cause !== null && !isSamePlace(held, proposal.cause, language))
    flags.push({ kind: 'place-moved', words: words.placeMoved(proposal.cause.where) });
  const more = proposal.receptacles.filter(({ id }) => !held.receptacles.includes(id));
  if (more.length > 0) flags.push({ kind: 'also-at', words: words.alsoAt(more.map(({ name }) => name)) });
  const now = new Set(proposal.receptacles.map(({ id }) => id));
  const fewer = held.receptacles.filter((id) => !now.has(id) && !apart.has(id));
  if (fewer.length > 0) flags.push({ kind: 'no-longer-at', words: words.noLongerAt(fewer.map(nameOf)) });
  return flags;
}

/** Both lists in one, each receptacle once. */
const joined = (a: readonly Place[], b: readonly Place[]): readonly Place[] => [
  ...a,
  ...b.filter(({ id }) => a.every((one) => one.id !== id)),
];

/** What a key stands for in the end; itself where merging leads nowhere or in a circle. */
function target(key: string, byKey: ReadonlyMap<string, Decisions>, known: ReadonlySet<string>): string {
  const passed = new Set<string>();
  for (let at = key; !passed.has(at); ) {
    passed.add(at);
    const into = byKey.get(at)?.into ?? null;
    if (into === null || !known.has(into)) return at;
    at = into;
  }
  return key;
}

const pressing = (a: Urgency, b: Urgency): Urgency => (urgencies.indexOf(a) <= urgencies.indexOf(b) ? a : b);

/** Those in the order asked for; any other before the first that is less urgent. */
function inOrder(findings: readonly Finding[], order: readonly string[]): readonly Finding[] {
  const byKey = new Map(findings.map((finding) => [finding.key, finding]));
  const sorted = order.flatMap((key) => byKey.get(key) ?? []);
  const placed = new Set(sorted.map(({ key }) => key));
  for (const finding of findings) {
    if (placed.has(finding.key)) continue;
    const rank = urgencies.indexOf(finding.urgency);
    const at = sorted.findIndex(({ urgency }) => urgencies.indexOf(urgency) > rank);
    sorted.splice(at === -1 ? sorted.length : at, 0, finding);
  }
  return sorted;
}

type ByKey = ReadonlyMap<string, Decisions>;

/** What is proposed now under each key: a proposal without what was taken apart from it, and the parts. */
function proposedNow(proposals: readonly Proposal[], byKey: ByKey): ReadonlyMap<string, Proposal> {
  const proposed = new Map<string, Proposal>();
  for (const proposal of proposals) {
    const apart = byKey.get(proposal.key)?.apart ?? new Set();
    const rest = restricted(proposal, ({ id }) => !apart.has(id), proposal.key);
    if (rest !== null) proposed.set(proposal.key, rest);
    for (const [key, { splitFrom }] of byKey) {
      if (splitFrom?.key !== proposal.key) continue;
      const part = restricted(proposal, ({ id }) => splitFrom.receptacles.has(id), key);
      if (part !== null) proposed.set(key, part);
    }
  }
  return proposed;
}

/** Receptacles that a finding was taken over, added or split off with; null where they are those of its proposal. */
function heldAt({ held, added, splitFrom }: Decisions, proposal: Proposal | null): readonly string[] | null {
  const own = held?.receptacles ?? added?.receptacles;
  if (own !== undefined) return own;
  return proposal === null && splitFrom !== null ? [...splitFrom.receptacles] : null;
}

interface Context {
  readonly byKey: ByKey;
  readonly proposed: ReadonlyMap<string, Proposal>;
  readonly nameOf: (id: string) => string;
  readonly words: FindingLanguage;
}

/** The finding of one key by itself; null where an edit has nothing left to stand on. */
function single(key: string, { byKey, proposed, nameOf, words }: Context): Finding | null {
  const decisions = byKey.get(key) ?? undecided();
  const proposal = proposed.get(key) ?? null;
  const whole = decisions.splitFrom === null ? undefined : byKey.get(decisions.splitFrom.key);
  const base = decisions.held ?? proposal ?? decisions.added ?? whole?.held ?? whole?.added ?? null;
  if (base === null) return null;
  const original = wordingOf(base);
  const { note = null, ...edits } = decisions.edits as Edits;
  const held = heldAt(decisions, proposal);
  const isFlagged = decisions.held !== null && decisions.added === null;
  return {
    ...original,
    ...edits,
    key,
    number: 0,
    status: decisions.status,
    ...(decisions.isAtOdds ? { isAtOdds: true } : {}),
    reason: decisions.reason,
    proposal,
    original,
    edits: decisions.edits as Edits,
    note,
    receptacles:
      held === null
        ? (proposal?.receptacles ?? [])
        : held.filter((id) => !decisions.apart.has(id)).map((id) => ({ id, name: nameOf(id) })),
    merged: [],
    into: null,
    flags:
      isFlagged && decisions.held !== null
        ? flagsOf(decisions.held, decisions.apart, proposal, nameOf, words)
        : [],
    condition: decisions.held?.condition ?? proposal?.condition ?? null,
    isSuspected:
      decisions.held === null ? (proposal?.isSuspected ?? false) : decisions.held.isSuspected === true,
    isOwn: decisions.added !== null,
  };
}

/** Those that are reported as part of another, gathered in it. */
function gathered(all: readonly Finding[], byKey: ByKey): readonly Finding[] {
  const known = new Set(all.map(({ key }) => key));
  const findings = new Map(all.map((finding) => [finding.key, finding]));
  for (const part of all) {
    const to = target(part.key, byKey, known);
    const host = findings.get(to);
    if (to === part.key || host === undefined) continue;
    findings.set(part.key, { ...part, into: to });
    findings.set(to, {
      ...host,
      urgency: host.edits.urgency ?? pressing(host.urgency, part.urgency),
      receptacles: joined(host.receptacles, part.receptacles),
      merged: [...host.merged, part.key],
      flags: [...host.flags, ...part.flags],
    });
  }
  return [...findings.values()];
}

/** From 1 on; what is refused, or part of another, has no number of its own. */
function numbered(findings: readonly Finding[]): readonly Finding[] {
  let number = 0;
  return findings.map((finding) => {
    if (finding.status === 'refused' || finding.into !== null) return finding;
    number += 1;
    return { ...finding, number };
  });
}

/**
 * The findings of a house: what is proposed, with all that was decided on it. A finding that was accepted keeps its
 * words; what is read later only raises flags on it. Nothing decided is lost when its proposal goes.
 */
export function decidedFindings(
  house: House,
  proposals: readonly Proposal[],
  words: FindingLanguage,
): readonly Finding[] {
  const { byKey, order } = replayed(house.findingEntries);
  const names = new Map(receptaclesOf(house).map(({ id, name }) => [id, name]));
  const proposed = proposedNow(proposals, byKey);
  const context: Context = {
    byKey,
    proposed,
    nameOf: (id) => names.get(id) ?? words.flags.takenBack,
    words,
  };
  const keys = [...new Set([...proposed.keys(), ...byKey.keys()])];
  const all = keys.flatMap((key) => single(key, context) ?? []);
  return numbered(inOrder(gathered(all, byKey), order));
}

/** What is kept of a proposal when somebody decides on it. */
export const heldOf = (proposal: Proposal): Held => ({
  ...wordingOf(proposal),
  condition: proposal.condition,
  ...(proposal.isSuspected ? { isSuspected: true } : {}),
  code: codeOf(proposal),
  ...(proposal.cause?.place == null ? {} : { place: proposal.cause.place }),
  receptacles: proposal.receptacles.map(({ id }) => id),
  where: proposal.cause?.where || null,
});

/** The findings of an assessed house: what is proposed, and what was decided on it. */
export const findingsOf = (
  assessment: Assessment,
  practice: Practice,
  words: FindingLanguage,
): readonly Finding[] => decidedFindings(assessment.house, proposalsFor(assessment, practice, words), words);
