import { type BareLink, bodyHash, type ChainHead, type Link, linkHash } from './chain.ts';
import { inOrder } from './entry-order.ts';
import type { Stamped } from './kept.ts';

/** Why an entry, or a link without one, is not what its device entered. */
export type AlteredHow =
  /** What it says is not what its link covers. */
  | 'body'
  /** The link after it names another one, or it names another than stands before it. */
  | 'link'
  /** Two stand at one place of their device's chain. */
  | 'place'
  /** It stands out of the one order of all entries. */
  | 'order'
  /** The chain ended with another one when the file was written. */
  | 'head';

export interface Altered {
  readonly device: string;
  readonly place: number | null;
  /** null: of a link without its entry. */
  readonly entry: string | null;
  readonly how: AlteredHow;
}

/** Places of a device's chain that are not there: not arrived yet, or taken out. */
export interface Gap {
  readonly device: string;
  readonly from: number;
  readonly to: number;
}

/** What the chains of a log say of it. */
export interface Verified {
  /** `pending`: nothing was altered as far as is seen, but something is missing, or nothing is chained. */
  readonly verdict: 'intact' | 'pending' | 'altered';
  readonly altered: readonly Altered[];
  readonly gaps: readonly Gap[];
  /** Entries that stand in a chain. */
  readonly chained: number;
  /** Entries from before their device chained what it entered. */
  readonly unchained: number;
  /** Of those, the ones ordered behind the first that their device chained: their links may have been taken off. */
  readonly unlinked: readonly string[];
}

/** The ends of chains, by device. */
export type ChainHeads = Readonly<Record<string, ChainHead>>;

interface Placed {
  readonly device: string;
  readonly link: Link;
  readonly entry: string | null;
}

/** Links with their entries, and bare ones, device by device and by their places. */
function byDevice(
  entries: readonly Stamped[],
  bare: readonly BareLink[],
): ReadonlyMap<string, readonly Placed[]> {
  const placed: Placed[] = [
    ...entries.flatMap(({ id, device, link }) => (link === undefined ? [] : [{ device, link, entry: id }])),
    ...bare.map(({ device, ...link }) => ({ device, link, entry: null })),
  ];
  const devices = new Map<string, Placed[]>();
  for (const one of placed) {
    const all = devices.get(one.device);
    if (all === undefined) devices.set(one.device, [one]);
    else all.push(one);
  }
  for (const all of devices.values()) all.sort((a, b) => a.link.place - b.link.place);
  return devices;
}

/** Where each device's chain ends, by what is there. */
export function headsOf(entries: readonly Stamped[], bare: readonly BareLink[]): ChainHeads {
  const ends = [...byDevice(entries, bare)].map(([device, placed]): [string, ChainHead][] => {
    const last = placed.at(-1)?.link;
    return last === undefined ? [] : [[device, { place: last.place, hash: linkHash(last) }]];
  });
  return Object.fromEntries(ends.flat());
}

function along(placed: readonly Placed[], head: ChainHead | null): Pick<Verified, 'altered' | 'gaps'> {
  const altered: Altered[] = [];
  const gaps: Gap[] = [];
  const is = ({ device, link, entry }: Placed, how: AlteredHow): void => {
    altered.push({ device, place: link.place, entry, how });
  };
  const device = placed[0]?.device ?? '';
  const missing = (from: number, to: number): void => {
    if (from <= to) gaps.push({ device, from, to });
  };
  let before: Placed | null = null;
  for (const one of placed) {
    const { place, after } = one.link;
    const last = before?.link.place ?? 0;
    if (place === last) {
      // An entry and its own bare link are one.
      if (before === null || linkHash(before.link) !== linkHash(one.link)) is(one, 'place');
      continue;
    }
    if (place > last + 1) missing(last + 1, place - 1);
    // What stands at the place before and what this was entered after are two things: either of them is altered.
    else if (after !== (before === null ? null : linkHash(before.link))) is(before ?? one, 'link');
    if ((place === 1) !== (after === null)) is(one, 'link');
    before = one;
  }
  const last = before?.link.place ?? 0;
  if (head !== null && head.place > last) missing(last + 1, head.place);
  const ended = placed.find(({ link }) => link.place === head?.place);
  if (ended !== undefined && linkHash(ended.link) !== head?.hash) is(ended, 'head');
  return { altered, gaps };
}

/** Entries that do not stand where the one order of all entries has them, as they are handed over. */
export const outOfOrder = (entries: readonly Stamped[]): readonly Altered[] =>
  entries.flatMap((entry, at): readonly Altered[] => {
    const next = entries[at + 1];
    if (next === undefined || inOrder(entry, next) <= 0) return [];
    return [{ device: entry.device, place: entry.link?.place ?? null, entry: entry.id, how: 'order' }];
  });

/** Entries without a link that are ordered behind a chained one of their device. */
function unlinkedIn(entries: readonly Stamped[]): readonly string[] {
  const chaining = new Set<string>();
  const behind: string[] = [];
  for (const { id, device, link } of entries.toSorted(inOrder)) {
    if (link !== undefined) chaining.add(device);
    else if (chaining.has(device)) behind.push(id);
  }
  return behind;
}

/**
 * What the chains of a log say: whether each entry is what its device entered, in the order in which it did, as far as
 * the links that are there can tell.
 */
export function verify(
  entries: readonly Stamped[],
  bare: readonly BareLink[] = [],
  heads: ChainHeads = {},
): Verified {
  const bodies = entries.flatMap((entry): readonly Altered[] =>
    entry.link === undefined || entry.link.body === bodyHash(entry)
      ? []
      : [{ device: entry.device, place: entry.link.place, entry: entry.id, how: 'body' }],
  );
  const devices = byDevice(entries, bare);
  const chains = [...devices].map(([device, placed]) => along(placed, heads[device] ?? null));
  const vanished = Object.entries(heads)
    .filter(([device]) => !devices.has(device))
    .map(([device, { place }]): Gap => ({ device, from: 1, to: place }));
  const altered = [...bodies, ...chains.flatMap((one) => one.altered)];
  const gaps = [...chains.flatMap((one) => one.gaps), ...vanished];
  const chained = entries.filter(({ link }) => link !== undefined).length;
  const unlinked = unlinkedIn(entries);
  const isWhole = gaps.length === 0 && unlinked.length === 0 && chained > 0;
  return {
    verdict: altered.length > 0 ? 'altered' : isWhole ? 'intact' : 'pending',
    altered,
    gaps,
    chained,
    unchained: entries.length - chained,
    unlinked,
  };
}
