import { invitationToken, joinAsMember, joinAsNewcomer } from '@/contract/requests';
import { isFor, join, joinAsNew, offerOf } from '@/data/invitations';
import { addressPart, answer, bodyOf, Problem } from '../answers';
import { answerAnyone, answerPerson, limit, refuseGuessable, sourceOf } from '../gate';
import { signedIn } from '../signed-in';

const forAnother = () =>
  new Problem(
    'not-allowed',
    'This invitation is for another address. Join with that one, or ask for a link.',
  );
const noLonger = () => new Problem('not-found', 'This invitation is no longer good. Ask for another.');

/** What a link offers, for whoever holds it. */
export const GET = (request: Request): Promise<Response> =>
  answerAnyone(request, async ({ connection }) => {
    await limit('join-source', sourceOf(request));
    const query = new URL(request.url).searchParams.get('invitation');
    const offer = await offerOf(connection, addressPart(query, invitationToken, 'such invitation'));
    if (offer === null) throw noLonger();
    return answer(offer);
  });

/** Takes a link up as somebody new, who is signed in with it. */
export const POST = (request: Request): Promise<Response> =>
  answerAnyone(request, async ({ connection }) => {
    const { invitation, person } = await bodyOf(request, joinAsNewcomer);
    await limit('join-source', sourceOf(request));
    const offer = await offerOf(connection, invitation);
    if (offer === null) throw noLonger();
    if (!isFor(offer, person.email)) throw forAnother();
    refuseGuessable(person.password, person);
    const joined = await joinAsNew(connection, invitation, person);
    if (joined === 'taken')
      throw new Problem(
        'conflict',
        'Somebody signs in with this address already. Sign in, then open the link.',
      );
    if (joined === null) throw noLonger();
    const { cookies } = await signedIn(request, connection, person);
    return cookies(answer({}, 201));
  });

/** Takes a link up as who has signed in. */
export const PUT = (request: Request): Promise<Response> =>
  answerPerson(request, async ({ connection, person }) => {
    const { invitation } = await bodyOf(request, joinAsMember);
    const offer = await offerOf(connection, invitation);
    if (offer !== null && !isFor(offer, person.email)) throw forAnother();
    const firm = await join(connection, invitation, person);
    if (firm === null) throw noLonger();
    return answer({ firm: { id: firm.id, name: firm.name } });
  });
