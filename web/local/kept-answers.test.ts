import type { KnownCircuit } from '@fair-plug/core/assessment';
import { v7 } from 'uuid';
import { expect, test } from 'vitest';
import { KeptAnswers } from './kept-answers.ts';
import { forgetRead, LocalDatabase } from './store.ts';

const answered = (breaker: string, question: string) => ({ breaker, question, answer: {} }) as KnownCircuit;
const newStore = (): string => `fair-plug ${v7()} ${v7()}`;
const questionsIn = async (answers: KeptAnswers): Promise<readonly string[]> =>
  (await answers.all()).map(({ question }) => question).sort();

test('the last answer of each circuit is kept, job by job', async () => {
  const [store, job, other] = [newStore(), v7(), v7()];
  const answers = new KeptAnswers(store, job, 'one');
  await answers.keep(answered('1', 'lamps'));
  await answers.keep(answered('2', 'lamps'));
  await answers.keep(answered('1', 'lamps and probe'));
  expect(await questionsIn(answers)).toEqual(['lamps', 'lamps and probe']);
  expect(await questionsIn(new KeptAnswers(store, job, 'one'))).toEqual(['lamps', 'lamps and probe']);
  expect(await questionsIn(new KeptAnswers(store, other, 'one'))).toEqual([]);
});

test('another build answers anew, and what the one before it answered goes', async () => {
  const [store, job] = [newStore(), v7()];
  await new KeptAnswers(store, job, 'one').keep(answered('1', 'lamps'));
  expect(await questionsIn(new KeptAnswers(store, job, 'two'))).toEqual([]);
  expect(await new LocalDatabase(store).answers.count()).toBe(0);
});

test('without a build nothing is kept', async () => {
  const [store, job] = [newStore(), v7()];
  const answers = new KeptAnswers(store, job, '');
  await answers.keep(answered('1', 'lamps'));
  expect(await questionsIn(answers)).toEqual([]);
  expect(await new LocalDatabase(store).answers.count()).toBe(0);
});

test('they go with the log that they are answers to', async () => {
  const [store, job] = [newStore(), v7()];
  const answers = new KeptAnswers(store, job, 'one');
  await answers.keep(answered('1', 'lamps'));
  expect(await questionsIn(answers)).toEqual(['lamps']);
  await forgetRead(new LocalDatabase(store));
  expect(await questionsIn(answers)).toEqual([]);
});

test('a store that cannot be read keeps nothing, and nobody waits for it', async () => {
  const answers = new KeptAnswers(newStore(), v7(), 'one');
  answers.close();
  await answers.keep(answered('1', 'lamps'));
  expect(await answers.all()).toEqual([]);
});
