import { z } from 'zod';
import { roles } from '@/data/roles';
import { longestPassword, shortestPassword } from '@/data/sign-in';

export const passwordSchema = z
  .string()
  .min(shortestPassword, `At least ${shortestPassword} characters`)
  .max(longestPassword);
export const nameSchema = z.string().trim().min(1).max(120);
export const roleSchema = z.enum(roles);
export const newPersonSchema = z.strictObject({
  name: nameSchema,
  email: z.email().max(254),
  password: passwordSchema,
});
