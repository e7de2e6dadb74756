import type { OwnFirm } from '@/contract/answers';

/** Who works in this browser, for which firm: remembered, so that a visit without a network is somebody's. */
export interface Identity {
  readonly person: { readonly id: string; readonly name: string };
  readonly firm: OwnFirm;
  readonly firms: readonly OwnFirm[];
  /** The server said that they belong to the firm no longer: so it stays without a network. */
  readonly isRemoved?: boolean;
}

export const identityKey = 'fair-plug identity';

/** Name under which what is kept for one person in one firm is found; nobody else's is ever opened. */
export const storeName = ({ person, firm }: Identity): string => `fair-plug ${firm.id} ${person.id}`;

export function rememberedIdentity(): Identity | null {
  const text = localStorage.getItem(identityKey);
  // Written by this module alone.
  return text === null ? null : (JSON.parse(text) as Identity);
}

export const rememberIdentity = (identity: Identity): void =>
  localStorage.setItem(identityKey, JSON.stringify(identity));

/** Forgets the small things that were remembered for somebody. */
export function forgetSmallThings(identity: Identity): void {
  const own = storeName(identity);
  for (const name of Object.keys(localStorage)) if (name.startsWith(own)) localStorage.removeItem(name);
}

/** Forgets who worked here, and the small things that were remembered for them. */
export function forgetIdentity(identity: Identity): void {
  localStorage.removeItem(identityKey);
  forgetSmallThings(identity);
}
