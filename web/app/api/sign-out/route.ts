import { signIn } from '@/data/sign-in';
import { answer } from '../answers';
import { answerPerson } from '../gate';

export const POST = (request: Request): Promise<Response> =>
  answerPerson(request, async () => {
    const { headers } = await signIn().api.signOut({ headers: request.headers, returnHeaders: true });
    const done = answer({});
    for (const cookie of headers.getSetCookie()) done.headers.append('Set-Cookie', cookie);
    return done;
  });
