import { z } from 'zod';
import { lazily } from '../../lazily.ts';
import type { JobDraft, KitDraft, ReceptacleDraft, RoomDraft } from '../drafts.ts';
import { envelope } from '../envelope.ts';

/** What an entry changes, by what it is about. A kind that counts in two logs says so for each. */
export interface Changes<E> {
  readonly job?: (job: JobDraft, entry: E) => void;
  readonly room?: (room: RoomDraft, entry: E & { readonly room: string }) => void;
  readonly receptacle?: (receptacle: ReceptacleDraft, entry: E & { readonly receptacle: string }) => void;
  readonly kit?: (kit: KitDraft, entry: E) => void;
}

/** A kind of entry: what stands in `kind`, what it must be, and what it changes. */
export interface EntryKind<S extends z.ZodType> {
  readonly kind: string;
  readonly schema: () => S;
  readonly changes: Changes<z.infer<S>>;
}

/** What every entry carries, one of a kind. */
type EnvelopeOf<K extends string> = ReturnType<typeof envelope> & { readonly kind: z.ZodLiteral<K> };

/** The schema is made where entries are parsed: a log that is folded was parsed when it was taken. */
export const entryKind = <K extends string, S extends z.ZodType>(
  kind: K,
  schemaWith: (envelope: EnvelopeOf<K>) => S,
  changes: Changes<z.infer<S>>,
): EntryKind<S> => ({
  kind,
  schema: lazily(() => schemaWith({ ...envelope(), kind: z.literal(kind) })),
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
  } = entry as E & Record<keyof ReturnType<typeof envelope> | 'kind' | 'receptacle' | 'room', unknown>;
  return rest;
};
