/** What a person may do in a firm: everything; work on jobs; read. */
export const roles = ['owner', 'inspector', 'viewer'] as const;
export type Role = (typeof roles)[number];

/** True where a role may do what another may. */
export const mayActAs = (role: Role, needed: Role): boolean => roles.indexOf(role) <= roles.indexOf(needed);
