import { expose } from 'comlink';
import { afterAll, beforeAll, expect, test, vi } from 'vitest';
import type { Engine } from '@/workers/engine.worker';
import { ask, startEngine } from './engine';

const answersWith = expose as unknown as (engine: object) => object;
let real = {};
beforeAll(() => {
  real = answersWith({});
});
afterAll(() => {
  answersWith(real);
});

const blindSpots = () => ask(async (engine) => (engine as unknown as Engine).blindSpots(['lamps']));

test('an engine that breaks down before it answers is started anew, and asked once more', async () => {
  const answers = [new Promise<never>(() => {}), ['open-ground']];
  const answer = vi.fn(() => answers.shift());
  answersWith({ blindSpots: answer });
  const asked = blindSpots();
  await vi.waitFor(() => expect(answer).toHaveBeenCalledTimes(1));
  const { worker } = startEngine();
  const ended = vi.spyOn(worker, 'terminate');
  worker.onerror?.(new ErrorEvent('error'));
  await expect(asked).resolves.toEqual(['open-ground']);
  expect(ended).toHaveBeenCalledTimes(1);
  expect(startEngine().worker).not.toBe(worker);
});

test('what the engine itself throws is no reason to ask again', async () => {
  const answer = vi.fn(() => {
    throw new RangeError('a bug of ours');
  });
  answersWith({ blindSpots: answer });
  await expect(blindSpots()).rejects.toThrow('a bug of ours');
  expect(answer).toHaveBeenCalledTimes(1);
});
