import { describe, expect, test } from 'vitest';
import { z } from 'zod';
import { isDatabaseAway } from '../../data/database.ts';
import { addressPart, bodyOf, Problem } from './answers.ts';

const schema = z.strictObject({ name: z.string() });
const json = { 'Content-Type': 'application/json' };

/** A request whose body arrives in the given pieces, without a length announced. */
function arriving(pieces: readonly Uint8Array[], headers: Record<string, string> = json): Request {
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      for (const piece of pieces) controller.enqueue(piece);
      controller.close();
    },
  });
  return new Request('http://127.0.0.1/', { method: 'POST', headers, body, duplex: 'half' } as RequestInit);
}
const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const codeOf = (request: Request): Promise<string> =>
  bodyOf(request, schema).then(
    () => 'taken',
    (error) => (error instanceof Problem ? error.code : 'thrown'),
  );

describe('the body of a request', () => {
  test('a letter cut in two between pieces arrives whole', async () => {
    const whole = bytes('{"name":"Küche"}');
    const cut = whole.indexOf(0xc3) + 1;
    expect(await bodyOf(arriving([whole.slice(0, cut), whole.slice(cut)]), schema)).toEqual({
      name: 'Küche',
    });
  });

  test('more than may be sent is refused while it arrives, whatever was announced', async () => {
    const piece = bytes('x'.repeat(300_000));
    expect(await codeOf(arriving([piece, piece, piece, piece]))).toBe('too-large');
    expect(await codeOf(arriving([bytes('{}')], { ...json, 'Content-Length': '5000000' }))).toBe('too-large');
  });

  test.each([
    ['no JSON', '{', 'malformed'],
    ['an empty body', '', 'malformed'],
    ['another shape', '{"name":1}', 'invalid'],
    ['an unknown key', '{"name":"a","x":1}', 'invalid'],
    ['a key that means something to objects', '{"name":"a","__proto__":{"x":1}}', 'invalid'],
    ['the right shape', '{"name":"a"}', 'taken'],
  ])('%s: %s', async (_what, text, code) => {
    expect(await codeOf(arriving([bytes(text)]))).toBe(code);
  });

  test.each([
    ['text/plain', 'wrong-type'],
    ['application/x-www-form-urlencoded', 'wrong-type'],
    ['application/jsonp', 'wrong-type'],
    ['application/json; charset=utf-8', 'taken'],
  ])('a body of type %s: %s', async (type, code) => {
    expect(await codeOf(arriving([bytes('{"name":"a"}')], { 'Content-Type': type }))).toBe(code);
  });

  test('a wrong part of the address is something that is not there', () => {
    expect(addressPart('7', z.coerce.number().int(), 'page')).toBe(7);
    expect(() => addressPart('x', z.coerce.number().int(), 'page')).toThrow('There is no page.');
  });
});

describe('a database that is away', () => {
  const withCode = (code: string) => Object.assign(new Error('x'), { code });
  test.each([
    [withCode('ECONNREFUSED'), true],
    [withCode('57P01'), true],
    [withCode('08006'), true],
    [new AggregateError([withCode('ECONNREFUSED')]), true],
    [new Error('Connection terminated unexpectedly'), true],
    [withCode('23505'), false],
    [withCode('42P01'), false],
    [new Error('something else'), false],
    ['no error at all', false],
  ])('%o: %s', (error, away) => {
    expect(isDatabaseAway(error)).toBe(away);
  });
});
