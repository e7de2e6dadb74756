import { type HouseJudgement, HouseSender, withChanges } from '@fair-plug/core/assessment';
import { Diagnostician } from '@fair-plug/core/engine';
import { lampsOf } from '@fair-plug/core/instruments';
import { foldHouse, type House, type JobStatement } from '@fair-plug/core/log';
import { wrap } from 'comlink';
import { v7 } from 'uuid';
import { afterAll, afterEach, expect, test, vi } from 'vitest';
import { LocalDatabase } from '@/local/store';
import './engine.worker';
import type { Engine, NumberedChanges } from './engine.worker';

const engine = (wrap as unknown as () => Engine)();
const room = v7();
const den = Array.from({ length: 5 }, () => v7());

/** Five receptacles on one breaker, the last two reversed. */
function house(): House {
  const said: readonly JobStatement[] = [
    { kind: 'job-described', yearBuilt: 1985, groundedWiring: true },
    { kind: 'room-described', room, name: 'Den' },
    ...den.flatMap((receptacle, index): readonly JobStatement[] => [
      { kind: 'receptacle-described', receptacle, room, name: `Den ${index + 1}` },
      { kind: 'receptacle-fed', receptacle, breaker: '7', place: index + 1 },
      { kind: 'lamps-read', receptacle, lamps: lampsOf(index < 3 ? 'hn-hg' : 'hn-ng') },
    ]),
  ];
  const envelope = { device: v7(), author: v7(), at: '2026-05-04T09:30:00.000Z' };
  return foldHouse(said.map((one) => ({ id: v7(), ...envelope, ...one })));
}

const diagnosing = vi.spyOn(Diagnostician.prototype, 'diagnosing');
/** How often these five were diagnosed; other houses may be, after the tests that asked for it. */
const diagnosed = (): number =>
  diagnosing.mock.calls.filter(([{ readings }]) => readings.some(({ at }) => den.includes(at))).length;

/** Judges a job, and says how often its circuit was diagnosed for it. */
async function judged(job: string, store: string) {
  const before = diagnosed();
  let judgement: HouseJudgement | null = null;
  const take = (changes: NumberedChanges | null): void => {
    if (changes !== null) judgement = withChanges(judgement, changes);
  };
  const sent = new HouseSender(v7()).sent(house());
  const changes = await engine.judge(job, sent, ['lamps', 'meter'], store, take);
  if (changes !== 'not-here') take(changes);
  return { judgement: judgement as HouseJudgement | null, work: diagnosed() - before };
}

afterEach(() => vi.unstubAllEnvs());
afterAll(() => diagnosing.mockRestore());

test('a job that is opened again is judged by what was answered before; another build answers anew', async () => {
  const [store, job, other] = [`fair-plug ${v7()} ${v7()}`, v7(), v7()];
  await new LocalDatabase(store).logs.put({ log: job, cursor: 1, summary: null });
  vi.stubEnv('FAIRPLUG_BUILD', 'one');
  const first = await judged(job, store);
  await judged(other, store);
  const again = await judged(job, store);
  expect({ ...again.judgement, number: 0 }).toEqual({ ...first.judgement, number: 0 });
  expect([first.work, again.work]).toEqual([1, 0]);
  await judged(other, store);
  vi.stubEnv('FAIRPLUG_BUILD', 'two');
  expect((await judged(job, store)).work).toBe(1);
});

test('a house of which something is not here is asked for whole, and not judged', async () => {
  const [store, job, sender] = [`fair-plug ${v7()} ${v7()}`, v7(), new HouseSender(v7())];
  const lost = house();
  sender.sent(lost);
  const before = diagnosed();
  expect(await engine.judge(job, sender.sent(lost), ['lamps'], store, () => {})).toBe('not-here');
  expect(diagnosed()).toBe(before);
  const whole = await engine.judge(job, sender.sent(lost, true), ['lamps'], store, () => {});
  expect(whole).toMatchObject({ isFinal: true });
});
