import type { CDPSession } from 'playwright-core';

interface TraceEvent {
  readonly name: string;
  readonly ph: string;
  readonly ts: number;
  readonly dur?: number;
  readonly tid: number;
  readonly pid: number;
  readonly args?: { readonly name?: string };
}

/** What a page's main thread does for a frame: script, style, layout and paint. */
const work = new Set([
  'EventDispatch',
  'FireAnimationFrame',
  'FunctionCall',
  'TimerFire',
  'UpdateLayoutTree',
  'Layout',
  'PrePaint',
  'Paint',
  'Layerize',
  'Commit',
]);

/** Milliseconds of script, layout and paint of every frame drawn while something is done, by the browser's trace. */
export async function frameTimes(session: CDPSession, act: () => Promise<void>): Promise<readonly number[]> {
  const events: TraceEvent[] = [];
  session.on('Tracing.dataCollected', ({ value }) => events.push(...(value as unknown as TraceEvent[])));
  const ended = new Promise((done) => session.once('Tracing.tracingComplete', done));
  await session.send('Tracing.start', {
    transferMode: 'ReportEvents',
    traceConfig: { includedCategories: ['devtools.timeline', 'disabled-by-default-devtools.timeline'] },
  });
  await act();
  await session.send('Tracing.end');
  await ended;
  const own = (event: TraceEvent): string => `${event.pid}:${event.tid}`;
  const counts = new Map<string, number>();
  for (const event of events)
    if (event.name === 'Commit') counts.set(own(event), (counts.get(own(event)) ?? 0) + 1);
  const [main] = [...counts].sort((a, b) => b[1] - a[1]).map(([thread]) => thread);
  const onMain = events.filter((event) => own(event) === main).sort((a, b) => a.ts - b.ts);
  const frames: number[] = [];
  let until = 0;
  let sum = 0;
  for (const { name, ts, dur = 0 } of onMain) {
    // What runs inside another is counted with it.
    if (!work.has(name) || ts < until) continue;
    sum += dur / 1000;
    until = ts + dur;
    if (name !== 'Commit') continue;
    // With the commit a frame leaves the main thread.
    frames.push(sum);
    sum = 0;
  }
  return frames.slice(1);
}
