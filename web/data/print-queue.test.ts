import { describe, expect, test, vi } from 'vitest';
import { PrintQueue, TooManyReports } from './print-queue.ts';

/** Work that ends when it is told to. */
function work() {
  let end = (): void => {};
  const ended = new Promise<void>((done) => {
    end = done;
  });
  const begun = vi.fn(() => ended);
  return { begun, end };
}
const never = new AbortController().signal;
const unheard = (): void => {};

describe('reports that are printed one after another', () => {
  test('each waits for its turn and hears how many come first', async () => {
    const queue = new PrintQueue({ patience: 60_000, most: 3, mostEach: 2 });
    const [first, second, third] = [work(), work(), work()];
    const places: number[] = [];
    const all = [
      queue.run('Tessa', never, unheard, first.begun),
      queue.run('Odile', never, unheard, second.begun),
      queue.run('Una', never, (before) => places.push(before), third.begun),
    ];
    expect(second.begun).not.toHaveBeenCalled();
    expect(places).toEqual([2]);
    first.end();
    await vi.waitFor(() => expect(second.begun).toHaveBeenCalled());
    expect(places).toEqual([2, 1]);
    second.end();
    await vi.waitFor(() => expect(third.begun).toHaveBeenCalled());
    third.end();
    await Promise.all(all);
  });

  test('one that is stuck holds up nobody for long, and never so many that all are stuck', async () => {
    const queue = new PrintQueue({ patience: 10, most: 2, mostEach: 5 });
    const [stuck, also, third] = [work(), work(), work()];
    const all = [stuck, also, third].map(({ begun }) => queue.run('Tessa', never, unheard, begun));
    await vi.waitFor(() => expect(also.begun).toHaveBeenCalled());
    await new Promise((done) => setTimeout(done, 40));
    expect(third.begun).not.toHaveBeenCalled();
    also.end();
    await vi.waitFor(() => expect(third.begun).toHaveBeenCalled());
    stuck.end();
    third.end();
    await Promise.all(all);
  });

  test('one that fails, and one that is called off while it waits, make way', async () => {
    const queue = new PrintQueue({ patience: 60_000, most: 1, mostEach: 5 });
    const fails = queue.run('Tessa', never, unheard, () => Promise.reject(new Error('no paper')));
    const calledOff = new AbortController();
    const waits = queue.run('Tessa', calledOff.signal, unheard, work().begun);
    calledOff.abort(new Error('called off'));
    await expect(fails).rejects.toThrow('no paper');
    await expect(waits).rejects.toThrow('called off');
    expect(await queue.run('Tessa', never, unheard, async () => 'printed')).toBe('printed');
  });

  test('nobody has more under way than one person may', async () => {
    const queue = new PrintQueue({ patience: 60_000, most: 1, mostEach: 1 });
    const mine = work();
    const first = queue.run('Tessa', never, unheard, mine.begun);
    await expect(queue.run('Tessa', never, unheard, work().begun)).rejects.toThrow(TooManyReports);
    const others = queue.run('Odile', never, unheard, async () => 'printed');
    mine.end();
    await first;
    expect(await others).toBe('printed');
  });
});
