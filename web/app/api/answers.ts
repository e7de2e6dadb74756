import type { z } from 'zod';
import type { FieldProblem, ProblemCode, problemAnswer } from '@/contract/answers';

const statusOf: Readonly<Record<ProblemCode, number>> = {
  malformed: 400,
  invalid: 400,
  'signed-out': 401,
  'wrong-credentials': 401,
  'not-allowed': 403,
  'not-found': 404,
  conflict: 409,
  waits: 409,
  clock: 409,
  chain: 409,
  refused: 403,
  'too-large': 413,
  'wrong-type': 415,
  'too-many': 429,
  outdated: 426,
  failed: 500,
  'database-away': 503,
  'no-room': 507,
};

type ProblemDetail = Omit<z.infer<ReturnType<typeof problemAnswer>>['error'], 'code' | 'message'>;

/** Thrown while a request is read or answered; becomes its answer. */
export class Problem extends Error {
  constructor(
    readonly code: ProblemCode,
    message: string,
    readonly detail: ProblemDetail = {},
  ) {
    super(message);
  }
}

const noStore = { 'Cache-Control': 'no-store' };

export const answer = (body: unknown, status = 200): Response =>
  Response.json(body, { status, headers: noStore });

/** A JPEG, for nobody but whoever asked. */
export const answerPicture = (bytes: ReadableStream<Uint8Array> | Uint8Array<ArrayBuffer>): Response =>
  new Response(bytes, {
    headers: {
      'Content-Type': 'image/jpeg',
      'Cache-Control': 'private, no-store',
      'X-Content-Type-Options': 'nosniff',
      'Content-Disposition': 'inline',
    },
  });

export function answerProblem({ code, message, detail }: Problem): Response {
  const body: z.infer<ReturnType<typeof problemAnswer>> = { error: { code, message, ...detail } };
  return answer(body, statusOf[code]);
}

const longestBody = 1024 * 1024;

async function readText(request: Request): Promise<string> {
  const tooLarge = new Problem('too-large', `A request may be at most ${longestBody} bytes long.`);
  if (Number(request.headers.get('content-length') ?? 0) > longestBody) throw tooLarge;
  const decoder = new TextDecoder('utf-8', { fatal: true });
  let text = '';
  let length = 0;
  for await (const chunk of request.body ?? []) {
    length += chunk.byteLength;
    if (length > longestBody) throw tooLarge;
    text += decoder.decode(chunk, { stream: true });
  }
  return text + decoder.decode();
}

/** A request's body as bytes, at most so many. */
export async function rawBodyOf(request: Request, most: number): Promise<Uint8Array> {
  // Other sites' pages cannot send this type without asking the browser first.
  if (request.headers.get('content-type') !== 'application/octet-stream')
    throw new Problem('wrong-type', 'Expected a body of type application/octet-stream.');
  const chunks: Uint8Array[] = [];
  let length = 0;
  for await (const chunk of request.body ?? []) {
    length += chunk.byteLength;
    if (length > most) throw new Problem('too-large', `A piece may be at most ${most} bytes long.`);
    chunks.push(chunk);
  }
  return Buffer.concat(chunks);
}

/** A request's body as JSON of the given shape, or the problem with the path of each wrong field. */
export async function bodyOf<S extends z.ZodType>(request: Request, schema: S): Promise<z.infer<S>> {
  // Other sites' pages cannot send this type without asking the browser first.
  if (!/^application\/json(;|$)/.test(request.headers.get('content-type') ?? ''))
    throw new Problem('wrong-type', 'Expected a body of type application/json.');
  const text = await readText(request).catch((error) => {
    throw error instanceof Problem ? error : new Problem('malformed', 'The body is not UTF-8 text.');
  });
  let body: unknown;
  try {
    body = JSON.parse(text);
  } catch {
    throw new Problem('malformed', 'The body is not JSON.');
  }
  const parsed = schema.safeParse(body);
  if (parsed.success) return parsed.data;
  throw new Problem('invalid', 'The body is not as expected. Nothing was stored.', {
    fields: fieldProblems(parsed.error),
  });
}

const fieldProblems = (error: z.ZodError): readonly FieldProblem[] =>
  error.issues.slice(0, 20).map((issue) => ({ path: `/${issue.path.join('/')}`, message: issue.message }));

/** A value of the address (a segment or a query) of the given shape. */
export function addressPart<S extends z.ZodType>(value: unknown, schema: S, what: string): z.infer<S> {
  const parsed = schema.safeParse(value);
  if (parsed.success) return parsed.data;
  throw new Problem('not-found', `There is no ${what}.`);
}
