import type { Member, Role } from '../contract/answers.ts';
import { noteIn } from './audit.ts';
import type { FirmData, Named } from './firm-data.ts';
import { endInvitationsOf } from './invitations.ts';

/** Everybody who belongs or belonged to the firm. */
export async function listPeople(firm: FirmData): Promise<readonly Member[]> {
  const rows = await firm.transaction((transaction) =>
    transaction
      .selectFrom('membership')
      .innerJoin('person', 'person.id', 'membership.person')
      .select(['person.id', 'person.name', 'person.email', 'membership.role', 'membership.removed_at'])
      .where('membership.organization', '=', firm.id)
      .orderBy('membership.created_at')
      .orderBy('person.id')
      .execute(),
  );
  return rows.map(({ removed_at, ...member }) => ({
    ...member,
    removedAt: removed_at?.toISOString() ?? null,
  }));
}

/** The names alone, of everybody who belongs or belonged to the firm. */
export const listNames = (firm: FirmData): Promise<readonly Named[]> =>
  firm.transaction((transaction) =>
    transaction
      .selectFrom('membership')
      .innerJoin('person', 'person.id', 'membership.person')
      .select(['person.id', 'person.name'])
      .where('membership.organization', '=', firm.id)
      .orderBy('membership.created_at')
      .orderBy('person.id')
      .execute(),
  );

export type MembershipChange = 'changed' | 'no-such-person' | 'last-owner';

/**
 * Changes what a person may do, or, with null, ends their membership. Their sessions stay: by them their devices learn
 * that they belong to the firm no longer, and lock. Every request looks up the membership anew.
 */
export async function changeMembership(
  firm: FirmData,
  by: Named,
  person: string,
  role: Role | null,
): Promise<MembershipChange> {
  return firm.transaction(async (transaction) => {
    const members = await transaction
      .selectFrom('membership')
      .innerJoin('person', 'person.id', 'membership.person')
      .select(['membership.person', 'membership.role', 'person.name'])
      .where('membership.organization', '=', firm.id)
      .where('membership.removed_at', 'is', null)
      .forUpdate('membership')
      .execute();
    const member = members.find((one) => one.person === person);
    if (member === undefined) return 'no-such-person';
    const owners = members.filter((one) => one.role === 'owner');
    if (member.role === 'owner' && role !== 'owner' && owners.length === 1) return 'last-owner';
    await transaction
      .updateTable('membership')
      .set(role === null ? { removed_at: new Date() } : { role })
      .where('organization', '=', firm.id)
      .where('person', '=', person)
      .execute();
    // Only owners invite.
    if (role !== 'owner') await endInvitationsOf(transaction, firm, { id: person, name: member.name });
    await noteIn(
      transaction,
      firm,
      by,
      role === null ? 'removed' : 'role-changed',
      role === null ? member.name : `${member.name}: ${role}`,
    );
    return 'changed';
  });
}

export async function renameFirm(firm: FirmData, by: Named, name: string): Promise<void> {
  await firm.transaction(async (transaction) => {
    await transaction.updateTable('organization').set({ name }).where('id', '=', firm.id).execute();
    await noteIn(transaction, firm, by, 'firm-renamed', name);
  });
}
