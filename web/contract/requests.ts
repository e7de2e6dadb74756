import { bareLinkSchema, idSchema, jobEntrySchema, kitEntrySchema } from '@fair-plug/core/log';
import { z } from 'zod';
import { roleSchema } from './answers.ts';
import { longestPassword, shortestPassword } from './limits.ts';

/** What browsers ask for: made by them, and parsed by the server, by one description. No page loads it. */

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
/** Links whose entries do not travel: refused, or erased. */
const links = z.array(bareLinkSchema()).max(500).optional();
const entriesOrLinks = <S extends z.ZodType>(entry: S) =>
  z
    .strictObject({ entries: z.array(entry).max(500), links })
    .refine((batch) => batch.entries.length + (batch.links?.length ?? 0) > 0, {
      path: ['entries'],
      message: 'Too small: expected array to have >=1 items',
    });

export const jobBatch = entriesOrLinks(jobEntrySchema());
export const kitBatch = entriesOrLinks(kitEntrySchema());
export const newJob = z.strictObject({ job: idSchema(), entries: batchOf(jobEntrySchema()), links });

export const firstRun = z.strictObject({ firm: name, owner: newPerson });
export const firmName = z.strictObject({ name });
export const credentials = z.strictObject({ email, password: z.string().min(1).max(longestPassword) });
export const passwordReset = z.strictObject({ email });
export const newPassword = z.strictObject({ token: z.string().min(1).max(200), password: passwordSchema });
export const passwordChange = z.strictObject({
  current: z.string().min(1).max(longestPassword),
  next: passwordSchema,
});
export const newInvitation = z.strictObject({ role: roleSchema(), email: email.nullable() });
export const invitationToken = token;
export const joinAsNewcomer = z.strictObject({ invitation: token, person: newPerson });
export const joinAsMember = z.strictObject({ invitation: token });
export const roleChange = z.strictObject({ role: roleSchema() });
