import { z } from 'zod';
import { noteEverywhere } from '@/data/audit';
import { endSession } from '@/data/sessions';
import { addressPart, answer, Problem } from '../../answers';
import { answerPerson } from '../../gate';

interface Address {
  readonly params: Promise<{ session: string }>;
}

/** Ends one of one's own sessions. */
export const DELETE = (request: Request, { params }: Address): Promise<Response> =>
  answerPerson(request, async ({ connection, person }) => {
    const session = addressPart((await params).session, z.uuid(), 'such session');
    if (!(await endSession(connection, person.id, session)))
      throw new Problem('not-found', 'There is no such session.');
    await noteEverywhere(connection, person, 'session-ended');
    return answer({});
  });
