import type { z } from 'zod';
import type { JobDraft, KitDraft, ReceptacleDraft, RoomDraft } from '../drafts.ts';
import type { envelope } from '../envelope.ts';

/** What an entry changes, by what it is about. A kind that counts in two logs says so for each. */
export interface Changes<E> {
  readonly job?: (job: JobDraft, entry: E) => void;
  readonly room?: (room: RoomDraft, entry: E & { readonly room: string }) => void;
  readonly receptacle?: (receptacle: ReceptacleDraft, entry: E & { readonly receptacle: string }) => void;
  readonly kit?: (kit: KitDraft, entry: E) => void;
}

/** A kind of entry: what it must be, and what it changes. */
export interface EntryKind<S extends z.ZodType> {
  readonly schema: S;
  readonly changes: Changes<z.infer<S>>;
}

export const entryKind = <S extends z.ZodType>(schema: S, changes: Changes<z.infer<S>>): EntryKind<S> => ({
  schema,
  changes,
});

/** Without what entries are ordered by and what they are about. */
export const fieldsOf = <E extends object>(entry: E) => {
  const {
    id: _,
    device: _d,
    author: _a,
    at: _at,
    clock: _c,
    received: _v,
    link: _l,
    kind: _k,
    receptacle: _r,
    room: _o,
    ...rest
  } = entry as E & Record<keyof typeof envelope | 'kind' | 'receptacle' | 'room', unknown>;
  return rest;
};
