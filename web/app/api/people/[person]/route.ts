import { idSchema } from '@fair-plug/core/log';
import type { Role } from '@/contract/answers';
import { roleChange } from '@/contract/requests';
import { changeMembership } from '@/data/people';
import { addressPart, answer, bodyOf, Problem } from '../../answers';
import { answerMember } from '../../gate';

interface Address {
  readonly params: Promise<{ person: string }>;
}

const change = (
  request: Request,
  { params }: Address,
  roleOf: () => Promise<Role | null>,
): Promise<Response> =>
  answerMember(request, 'owner', async ({ firm, person: by }) => {
    const person = addressPart((await params).person, idSchema(), 'such person');
    switch (await changeMembership(firm, by, person, await roleOf())) {
      case 'changed':
        return answer({});
      case 'no-such-person':
        throw new Problem('not-found', 'There is no such person.');
      case 'last-owner':
        throw new Problem('conflict', 'A firm keeps at least one owner.');
    }
  });

export const PATCH = (request: Request, address: Address): Promise<Response> =>
  change(request, address, async () => (await bodyOf(request, roleChange)).role);

/** Ends a membership and all sessions of the person; their entries stay. */
export const DELETE = (request: Request, address: Address): Promise<Response> =>
  change(request, address, async () => null);
