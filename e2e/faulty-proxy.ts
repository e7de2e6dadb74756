import { createServer, type IncomingMessage, request, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { Random } from '../scripts/accuracy/random.ts';

export const faults = [
  /** The request never arrives. */
  'dropped',
  /** It arrives; the answer never does. */
  'answer lost',
  /** Half of the answer arrives. */
  'cut',
  /** It arrives twice. */
  'doubled',
  /** It arrives late. */
  'delayed',
  /** Later ones arrive before it. */
  'overtaken',
] as const;
export type Fault = (typeof faults)[number];

interface Answer {
  readonly status: number;
  readonly type: string;
  readonly body: Buffer;
}

export interface FaultyProxy {
  readonly origin: string;
  readonly injected: Map<Fault, number>;
  /** From now on everything arrives as it should. */
  readonly calm: () => void;
  readonly close: () => Promise<void>;
}

const wait = (milliseconds: number) => new Promise((done) => setTimeout(done, milliseconds));

const bodyOf = async (message: IncomingMessage): Promise<Buffer> => {
  const chunks: Buffer[] = [];
  for await (const chunk of message) chunks.push(chunk as Buffer);
  return Buffer.concat(chunks);
};

function forward(target: string, message: IncomingMessage, body: Buffer): Promise<Answer> {
  return new Promise((done, fail) => {
    const url = new URL(message.url ?? '/', target);
    const headers = { ...message.headers, host: url.host, connection: 'close' };
    const sent = request(url, { method: message.method, headers }, async (answer) => {
      const type = answer.headers['content-type'] ?? 'application/json';
      bodyOf(answer).then((text) => done({ status: answer.statusCode ?? 500, type, body: text }), fail);
    });
    sent.once('error', fail);
    sent.end(body);
  });
}

/** A proxy in front of a server that mistreats about every other request, as a seed has it. */
export async function faultyProxy(target: string, seed: number): Promise<FaultyProxy> {
  const random = new Random(seed);
  const injected = new Map<Fault, number>(faults.map((fault) => [fault, 0]));
  let isCalm = false;

  const pass = async (message: IncomingMessage, response: ServerResponse): Promise<void> => {
    const fault = !isCalm && random.chance(0.5) ? random.pick(faults) : null;
    const lateness = random.between(5, 60);
    if (fault !== null) injected.set(fault, (injected.get(fault) ?? 0) + 1);
    const body = await bodyOf(message);
    if (fault === 'dropped') {
      response.destroy();
      return;
    }
    if (fault === 'delayed') await wait(lateness);
    if (fault === 'overtaken') await wait(4 * lateness);
    const twin = fault === 'doubled' ? forward(target, message, body) : null;
    const answer = await forward(target, message, body);
    await twin;
    if (fault === 'answer lost') {
      response.destroy();
      return;
    }
    response.writeHead(answer.status, { 'content-type': answer.type, 'content-length': answer.body.length });
    if (fault === 'cut') {
      response.write(answer.body.subarray(0, Math.floor(answer.body.length / 2)));
      setTimeout(() => response.destroy(), 5);
      return;
    }
    response.end(answer.body);
  };

  const proxy = createServer((message, response) => {
    pass(message, response).catch(() => response.destroy());
  });
  await new Promise<void>((done) => proxy.listen(0, '127.0.0.1', done));
  return {
    origin: `http://127.0.0.1:${(proxy.address() as AddressInfo).port}`,
    injected,
    calm: () => {
      isCalm = true;
    },
    close: () => new Promise((done) => proxy.close(() => done())),
  };
}
