import { type Role, roles } from '../contract/answers.ts';

/** True where a role may do what another may. */
export const mayActAs = (role: Role, needed: Role): boolean => roles.indexOf(role) <= roles.indexOf(needed);
