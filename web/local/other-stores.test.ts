import type { JobStatement } from '@fair-plug/core/log';
import { v7 } from 'uuid';
import { expect, test } from 'vitest';
import { forgetReadOfOthers } from './other-stores.ts';
import { confirm, keep, LocalDatabase } from './store.ts';

const job = v7();
const den: JobStatement = { kind: 'room-described', room: v7(), name: 'Den' };

/** A store in which one entry was read and judged, and one waits to be sent. */
async function storeOf(firm: string, person: string): Promise<LocalDatabase> {
  const store = new LocalDatabase(`fair-plug ${firm} ${person}`);
  await confirm(store, job, await keep(store, job, person, [den]), { cursor: 1, head: 1 });
  await keep(store, job, person, [den]);
  await store.answers.put({ log: job, breaker: '7', build: 'one', question: '', answer: {} as never });
  return store;
}

const countsOf = async ({ confirmed, logs, answers, unsent }: LocalDatabase): Promise<readonly number[]> => [
  await confirmed.count(),
  await logs.count(),
  await answers.count(),
  await unsent.count(),
];

test('what others read on a device goes when somebody else signs in; what they did not send stays', async () => {
  const [firm, elsewhere, mine, theirs] = [v7(), v7(), v7(), v7()];
  const own = await storeOf(firm, mine);
  const others = [await storeOf(firm, theirs), await storeOf(elsewhere, theirs)];
  await forgetReadOfOthers(mine);
  expect(await countsOf(own)).toEqual([1, 1, 1, 1]);
  for (const store of others) expect(await countsOf(store)).toEqual([0, 0, 0, 1]);
});
