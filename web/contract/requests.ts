import { idSchema, jobEntrySchema, kitEntrySchema } from '@fair-plug/core/log';
import { z } from 'zod';
import { roleSchema } from './answers.ts';

/** What browsers ask for: made by them, and parsed by the server, by one description. */

export const shortestPassword = 10;
export const longestPassword = 128;

export const passwordSchema = z
  .string()
  .min(shortestPassword, `At least ${shortestPassword} characters`)
  .max(longestPassword);
const email = z.email().max(254);
const name = z.string().trim().min(1).max(120);
const newPerson = z.strictObject({ name, email, password: passwordSchema });
const token = z.string().min(20).max(100);

/** Entries that travel together; all are stored or none. */
const batchOf = <S extends z.ZodType>(entry: S) => z.array(entry).min(1).max(500);

export const jobBatch = z.strictObject({ entries: batchOf(jobEntrySchema) });
export const kitBatch = z.strictObject({ entries: batchOf(kitEntrySchema) });
export const newJob = z.strictObject({ job: idSchema, entries: batchOf(jobEntrySchema) });

export const firstRun = z.strictObject({ firm: name, owner: newPerson });
export const firmName = z.strictObject({ name });
export const credentials = z.strictObject({ email, password: z.string().min(1).max(longestPassword) });
export const passwordReset = z.strictObject({ email });
export const newPassword = z.strictObject({ token: z.string().min(1).max(200), password: passwordSchema });
export const passwordChange = z.strictObject({
  current: z.string().min(1).max(longestPassword),
  next: passwordSchema,
});
export const newInvitation = z.strictObject({ role: roleSchema, email: email.nullable() });
export const invitationToken = token;
export const joinAsNewcomer = z.strictObject({ invitation: token, person: newPerson });
export const joinAsMember = z.strictObject({ invitation: token });
export const roleChange = z.strictObject({ role: roleSchema });
