import { newInvitation } from '@/contract/requests';
import { invite, openInvitations } from '@/data/invitations';
import { mailer } from '@/data/mail';
import { publicOrigin } from '@/data/sign-in';
import { answer, bodyOf } from '../answers';
import { answerMember } from '../gate';

export const GET = (request: Request): Promise<Response> =>
  answerMember(request, 'owner', async ({ firm }) => answer({ invitations: await openInvitations(firm) }));

/** Makes a link; where an address is given, it is mailed there too. */
export const POST = (request: Request): Promise<Response> =>
  answerMember(request, 'owner', async ({ firm, person }) => {
    const wanted = await bodyOf(request, newInvitation);
    const { token, ...invitation } = await invite(firm, person, wanted);
    const link = `${publicOrigin()}/join?invitation=${token}`;
    if (wanted.email !== null)
      await mailer().send({
        to: wanted.email,
        subject: `${person.name} invites you to ${firm.name} on Fair Plug`,
        text: `Join ${firm.name} as ${wanted.role} within a week:\n\n${link}`,
      });
    return answer({ invitation, link }, 201);
  });
