import type { OwnFirm } from '@/contract/answers';

/** Who works in this browser, for which firm: remembered, so that a visit without a network is somebody's. */
export interface Identity {
  readonly person: { readonly id: string; readonly name: string };
  readonly firm: OwnFirm;
  readonly firms: readonly OwnFirm[];
}

const key = 'fair-plug identity';

/** Name under which what is kept for one person in one firm is found; nobody else's is ever opened. */
export const storeName = ({ person, firm }: Identity): string => `fair-plug ${firm.id} ${person.id}`;

export function rememberedIdentity(): Identity | null {
  const text = localStorage.getItem(key);
  // Written by this module alone.
  return text === null ? null : (JSON.parse(text) as Identity);
}

export const rememberIdentity = (identity: Identity): void =>
  localStorage.setItem(key, JSON.stringify(identity));

/** Forgets who worked here, and the small things that were remembered for them. */
export function forgetIdentity(identity: Identity): void {
  localStorage.removeItem(key);
  const own = storeName(identity);
  for (const name of Object.keys(localStorage)) if (name.startsWith(own)) localStorage.removeItem(name);
}
