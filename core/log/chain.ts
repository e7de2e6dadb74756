import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import { canonicalJson } from './canonical-json.ts';

/**
 * What a device enters in one log is a chain: every entry names the hash of the one before it. A link covers the hash of
 * what was entered, not the entry itself, so that an entry can be erased and the chain still stands. It shows what was
 * altered later, not what a device entered wrongly in the first place (linked time-stamps: Haber and Stornetta 1991, from
 * memory). Hashes are SHA-256 (FIPS 180-4), in lower-case hexadecimal.
 */

/** Where an entry stands in its device's chain within one log. */
export interface Link {
  /** 1, 2, 3 … among what the device entered in the log. */
  readonly place: number;
  /** Hash of the link before it; null for the first. */
  readonly after: string | null;
  /** Hash of what was entered. */
  readonly body: string;
}

/** The link of an entry that is not there: refused, or erased. */
export interface BareLink extends Link {
  readonly device: string;
}

/** Where a device's chain in a log ends. */
export interface ChainHead {
  readonly place: number;
  readonly hash: string;
}

/** SHA-256 of a text in UTF-8. */
export const textHash = (text: string): string => bytesToHex(sha256(utf8ToBytes(text)));

/** The hash of bytes, as 64 digits. */
export const bytesHash = (bytes: Uint8Array): string => bytesToHex(sha256(bytes));

/** What of an entry is not entered by its device: its link, and what a server noted. */
interface Entered {
  readonly link?: unknown;
  readonly received?: unknown;
}

/** The hash of what was entered, as 64 digits. */
export function bodyHash(entry: Entered & object): string {
  const { link: _, received: _r, ...body } = entry;
  return textHash(canonicalJson(body));
}

/** The hash that the next link names. */
export const linkHash = ({ place, after, body }: Link): string =>
  textHash(`${place} ${after ?? '-'} ${body}`);

/** Entries of one device with their links, in their order, after where its chain ended; and where it ends now. */
export function chained<E extends Entered & object>(
  entries: readonly E[],
  head: ChainHead | null,
): { readonly entries: readonly (E & { readonly link: Link })[]; readonly head: ChainHead | null } {
  let end = head;
  const linked = entries.map((entry) => {
    const own: Link = { place: (end?.place ?? 0) + 1, after: end?.hash ?? null, body: bodyHash(entry) };
    end = { place: own.place, hash: linkHash(own) };
    return { ...entry, link: own };
  });
  return { entries: linked, head: end };
}

/** The same entry, whatever its place in a chain and whatever a server noted beside it. */
export const isSameEntry = (a: object, b: object): boolean => bodyHash(a) === bodyHash(b);

/** The bare link of an entry that will not stand where its chain has it; null where it is in none. */
export function bareLinkOf(entry: {
  readonly device: string;
  readonly link?: Link | undefined;
}): BareLink | null {
  return entry.link === undefined ? null : { device: entry.device, ...entry.link };
}
