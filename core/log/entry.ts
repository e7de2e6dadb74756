import { z } from 'zod';
import type { EntryKind } from './entries/entry-kind.ts';
import * as jobKinds from './entries/job-kinds.ts';
import * as kitKinds from './entries/kit-kinds.ts';
import type { envelope } from './envelope.ts';

/** Kinds by what stands in `kind`, and the schema of all of them. */
function registry<S extends z.ZodObject | z.ZodDiscriminatedUnion>(kinds: Record<string, EntryKind<S>>) {
  const all = Object.values(kinds);
  const schema = z.discriminatedUnion('kind', all.map((kind) => kind.schema) as [S, ...S[]]);
  const named = new Map(all.map((kind) => [nameOf(kind.schema), kind] as const));
  return { schema, named };
}

/** What stands in `kind` of every entry of a schema. */
function nameOf(schema: z.ZodObject | z.ZodDiscriminatedUnion): string {
  const object = 'options' in schema ? (schema.options[0] as z.ZodObject) : schema;
  return (object.shape.kind as z.ZodLiteral<string>).value;
}

const ofJob = registry<(typeof jobKinds)[keyof typeof jobKinds]['schema']>(jobKinds as never);
const ofKit = registry<(typeof kitKinds)[keyof typeof kitKinds]['schema']>(kitKinds as never);

/** An entry in the log of one inspection. */
export const jobEntrySchema = ofJob.schema;
/** An entry in the log of a firm's kit. */
export const kitEntrySchema = ofKit.schema;

export type JobEntry = Readonly<z.infer<typeof jobEntrySchema>>;
export type KitEntry = Readonly<z.infer<typeof kitEntrySchema>>;
export type Entry = JobEntry | KitEntry;
/** The job's entries of one kind. */
export type JobEntryOf<K extends JobEntry['kind']> = Extract<JobEntry, { kind: K }>;

/** What every kind of the job's entries changes, by its name. */
export const jobChanges = new Map([...ofJob.named].map(([name, { changes }]) => [name, changes]));
/** What every kind of the kit's entries changes, by its name. */
export const kitChanges = new Map([...ofKit.named].map(([name, { changes }]) => [name, changes]));

/** What an entry says, before it is given an id, a device, an author and a time. */
type Said<E> = E extends unknown ? Omit<E, keyof typeof envelope> : never;
export type Statement = Said<Entry>;
export type JobStatement = Said<JobEntry>;
export type KitStatement = Said<KitEntry>;
