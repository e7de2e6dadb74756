import { answer, respond } from '../answers';

export const GET = (): Promise<Response> => respond(async ({ session }) => answer(session));
