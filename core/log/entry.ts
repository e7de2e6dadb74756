import { z } from 'zod';
import { lazily } from '../lazily.ts';
import type { EntryKind } from './entries/entry-kind.ts';
import * as jobKinds from './entries/job-kinds.ts';
import * as kitKinds from './entries/kit-kinds.ts';
import type { envelope } from './envelope.ts';

type KindsOf<S extends z.ZodType> = Readonly<Record<string, EntryKind<S>>>;

/** The schema of all of some kinds. */
const schemaOf = <S extends z.ZodObject | z.ZodDiscriminatedUnion>(kinds: KindsOf<S>) =>
  z.discriminatedUnion('kind', Object.values(kinds).map(({ schema }) => schema()) as [S, ...S[]]);

/** What each kind changes, by its name. */
const changesOf = <S extends z.ZodType>(kinds: KindsOf<S>) =>
  new Map(Object.values(kinds).map(({ kind, changes }) => [kind, changes] as const));

type SchemaIn<Kinds extends Readonly<Record<string, { readonly schema: () => unknown }>>> = ReturnType<
  Kinds[keyof Kinds]['schema']
>;
const ofJob = jobKinds as unknown as KindsOf<SchemaIn<typeof jobKinds>>;
const ofKit = kitKinds as unknown as KindsOf<SchemaIn<typeof kitKinds>>;

/** An entry in the log of one inspection. */
export const jobEntrySchema = lazily(() => schemaOf(ofJob));
/** An entry in the log of a firm's kit. */
export const kitEntrySchema = lazily(() => schemaOf(ofKit));

export type JobEntry = Readonly<z.infer<ReturnType<typeof jobEntrySchema>>>;
export type KitEntry = Readonly<z.infer<ReturnType<typeof kitEntrySchema>>>;
export type Entry = JobEntry | KitEntry;
/** The job's entries of one kind. */
export type JobEntryOf<K extends JobEntry['kind']> = Extract<JobEntry, { kind: K }>;

/** What every kind of the job's entries changes, by its name. */
export const jobChanges = changesOf(ofJob);
/** What every kind of the kit's entries changes, by its name. */
export const kitChanges = changesOf(ofKit);

/** What an entry says, before it is given an id, a device, an author and a time. */
type Said<E> = E extends unknown ? Omit<E, keyof ReturnType<typeof envelope>> : never;
export type Statement = Said<Entry>;
export type JobStatement = Said<JobEntry>;
export type KitStatement = Said<KitEntry>;
