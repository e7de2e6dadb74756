import { idSchema } from '@fair-plug/core/log';
import { withdrawInvitation } from '@/data/invitations';
import { addressPart, answer, Problem } from '../../answers';
import { answerMember } from '../../gate';

export const DELETE = (
  request: Request,
  { params }: { readonly params: Promise<{ invitation: string }> },
): Promise<Response> =>
  answerMember(request, 'owner', async ({ firm, person }) => {
    const id = addressPart((await params).invitation, idSchema(), 'such invitation');
    if (!(await withdrawInvitation(firm, person, id)))
      throw new Problem('not-found', 'There is no such invitation.');
    return answer({});
  });
