import type { BareLink, Entry } from '@fair-plug/core/log';
import type { DeviceChain, Session } from '@/contract/answers';
import { protocol } from '@/contract/protocol';

/** A server that keeps logs as the real one does: each entry once, numbered in the order of arrival. */
export class FakeServer {
  readonly logs = new Map<string, Entry[]>();
  /** What it says to a request; 0: nothing answers. */
  answer: (path: string, entries: readonly Entry[]) => number = () => 200;
  readonly asked: string[] = [];
  /** Bodies of what was asked, in the same order. */
  readonly bodies: unknown[] = [];
  /** What it answers elsewhere, by path. */
  readonly others: Record<string, unknown> = {
    '/api/jobs': { jobs: [] },
    '/api/colleagues': { people: [] },
  };
  /** Entries to an answer. */
  page = 3;
  /** Milliseconds by which its time is ahead. */
  ahead = 0;
  /** What it says of a chain where it answers 423. */
  chain: DeviceChain | null = null;
  /** Links that came without their entries. */
  readonly links: BareLink[] = [];
  /** Who has signed in. */
  session: Session | null = null;

  readonly fetch = async (address: string, init: RequestInit = {}): Promise<Response> => {
    // As over a network, everybody else has a turn before the answer comes.
    await new Promise((done) => setTimeout(done));
    const { pathname, searchParams } = new URL(address, 'http://server');
    const body = init.body === undefined ? null : JSON.parse(String(init.body));
    const entries: readonly Entry[] = body?.entries ?? [];
    this.asked.push(`${init.method ?? 'GET'} ${pathname}`);
    this.bodies.push(body);
    const status = this.answer(pathname, entries);
    if (status === 0) throw new TypeError('network');
    if (status >= 300) {
      if (status === 423)
        return Response.json({ error: { code: 'chain', message: 'No.', chain: this.chain } }, { status });
      const code =
        {
          503: 'database-away',
          401: 'signed-out',
          404: 'not-found',
          409: 'waits',
          422: 'clock',
          426: 'outdated',
        }[status] ?? 'invalid';
      return Response.json({ error: { code, message: 'No.' } }, { status });
    }
    if (pathname === '/api/session' && this.session !== null) return Response.json(this.session);
    if (pathname === '/api/session')
      return Response.json({ error: { code: 'signed-out', message: 'Sign in.' } }, { status: 401 });
    if (pathname === '/api/logs')
      return Response.json({
        protocol,
        now: new Date(Date.now() + this.ahead).toISOString(),
        logs: [...this.logs].map(([id, log]) => ({
          // The kit began before any job did.
          id: id === 'kit' ? '01900000-0000-7000-8000-000000000000' : id,
          kind: id === 'kit' ? 'kit' : 'job',
          seq: log.length,
        })),
      });
    const log =
      body?.job ??
      (pathname === '/api/kit/entries' ? 'kit' : /^\/api\/jobs\/([^/]+)\/entries$/.exec(pathname)?.[1]);
    if (log === undefined) return Response.json(this.others[pathname] ?? {});
    const kept = this.logs.get(log) ?? [];
    this.logs.set(log, kept);
    this.links.push(...(body?.links ?? []));
    for (const entry of entries) if (!kept.some(({ id }) => id === entry.id)) kept.push(entry);
    const after = Number(searchParams.get('after') ?? 0);
    return Response.json({
      entries: kept.slice(after, after + this.page),
      cursor: Math.min(kept.length, after + this.page),
    });
  };

  names(log: string): readonly string[] {
    return (this.logs.get(log) ?? []).map((entry) =>
      'name' in entry ? (entry.name ?? entry.kind) : entry.kind,
    );
  }
}
