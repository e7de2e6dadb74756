import type { KnownCircuit } from '@fair-plug/core/assessment';
import { v7 } from 'uuid';
import { expect, test } from 'vitest';
import { KeptAnswers } from './kept-answers.ts';
import { forgetRead, LocalDatabase } from './store.ts';

const answered = (breaker: string, question: string) => ({ breaker, question, answer: {} }) as KnownCircuit;
/** The name of a store in which logs are kept. */
async function storeWith(...logs: readonly string[]): Promise<string> {
  const store = new LocalDatabase(`fair-plug ${v7()} ${v7()}`);
  await store.logs.bulkPut(logs.map((log) => ({ log, cursor: 1, summary: null })));
  store.close();
  return store.name;
}
const questionsIn = async (answers: KeptAnswers): Promise<readonly string[]> =>
  (await answers.all()).map(({ question }) => question).sort();

test('the last answer of each circuit is kept, job by job', async () => {
  const [job, other] = [v7(), v7()];
  const store = await storeWith(job, other);
  const answers = new KeptAnswers(store, job, 'one');
  await answers.keep(answered('1', 'lamps'));
  await answers.keep(answered('2', 'lamps'));
  await answers.keep(answered('1', 'lamps and probe'));
  expect(await questionsIn(answers)).toEqual(['lamps', 'lamps and probe']);
  expect(await questionsIn(new KeptAnswers(store, job, 'one'))).toEqual(['lamps', 'lamps and probe']);
  expect(await questionsIn(new KeptAnswers(store, other, 'one'))).toEqual([]);
});

test('another build answers anew, and what the one before it answered goes', async () => {
  const job = v7();
  const store = await storeWith(job);
  await new KeptAnswers(store, job, 'one').keep(answered('1', 'lamps'));
  expect(await questionsIn(new KeptAnswers(store, job, 'two'))).toEqual([]);
  expect(await new LocalDatabase(store).answers.count()).toBe(0);
});

test('without a build nothing is kept', async () => {
  const job = v7();
  const store = await storeWith(job);
  const answers = new KeptAnswers(store, job, '');
  await answers.keep(answered('1', 'lamps'));
  expect(await questionsIn(answers)).toEqual([]);
  expect(await new LocalDatabase(store).answers.count()).toBe(0);
});

test('they go with the log that they are answers to', async () => {
  const job = v7();
  const store = await storeWith(job);
  const answers = new KeptAnswers(store, job, 'one');
  await answers.keep(answered('1', 'lamps'));
  expect(await questionsIn(answers)).toEqual(['lamps']);
  await forgetRead(new LocalDatabase(store));
  expect(await questionsIn(answers)).toEqual([]);
  // The engine was still at work.
  await answers.keep(answered('2', 'lamps'));
  expect(await questionsIn(answers)).toEqual([]);
});

test('a store that cannot be read keeps nothing, and nobody waits for it', async () => {
  const answers = new KeptAnswers(await storeWith(), v7(), 'one');
  answers.close();
  await answers.keep(answered('1', 'lamps'));
  expect(await answers.all()).toEqual([]);
});
