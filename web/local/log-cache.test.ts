import { v7 } from 'uuid';
import { expect, test, vi } from 'vitest';
import { LogCache } from './log-cache.ts';
import { leastHeldBack, mostHeldBack } from './pauses.ts';
import { keep, LocalDatabase } from './store.ts';

const room = (name: string) => ({ kind: 'room-described', room: v7(), name }) as const;

async function opened(name: string) {
  const store = new LocalDatabase(name);
  const job = v7();
  const cache = new LogCache(store);
  const author = v7();
  await keep(store, job, author, [room('Hall')], true);
  const book = cache.book(job);
  await book.read();
  const told: string[] = [];
  book.listen(() => told.push('drawn'));
  /** Ends when it is kept; `shown` ends when all were told. */
  const grow = async (what: string): Promise<{ readonly shown: Promise<void> }> => {
    const kept = await keep(store, job, author, [room(what)]);
    const shown = cache.grown(job, kept, undefined, () => told.push(`kept ${what}`));
    return { shown };
  };
  return { book, told, grow };
}

test('what has grown is told with what it brings along, at once where nobody is told first', async () => {
  const { book, told, grow } = await opened('nobody first');
  await grow('Den');
  expect(told).toEqual(['kept Den', 'drawn']);
  expect(book.state().house.rooms.map(({ name }) => name)).toEqual(['Hall', 'Den']);
});

test('whoever is told first answers before the others are told, and both come at once', async () => {
  const { book, told, grow } = await opened('an answer');
  let answer = (): void => {};
  book.listenFirst(() => {
    told.push(`asked about ${book.state().house.rooms.length} rooms`);
    return new Promise((done) => {
      answer = done;
    });
  });
  const { shown } = await grow('Den');
  expect(told).toEqual(['asked about 2 rooms']);
  answer();
  await shown;
  expect(told).toEqual(['asked about 2 rooms', 'kept Den', 'drawn']);
});

test.each([
  ['never comes', () => new Promise<void>(() => {})],
  ['fails', () => Promise.reject(new Error('the engine is gone'))],
])('an answer that %s holds nothing back for long, and loses nothing', async (_, answers) => {
  const { book, told, grow } = await opened(`an answer that ${_}`);
  book.listenFirst(answers);
  await (await grow('Den')).shown;
  await (await grow('Attic')).shown;
  expect(told.filter((one) => one !== 'drawn')).toEqual(['kept Den', 'kept Attic']);
  expect(told.at(-1)).toBe('drawn');
  expect(book.state().house.rooms).toHaveLength(3);
});

test('one action is shown before the next one has its turn', async () => {
  const { book, told, grow } = await opened('one after another');
  book.listenFirst(() => new Promise(() => {}));
  const acted = (what: string): Promise<void> => book.inTurn(async () => (await grow(what)).shown);
  await Promise.all([acted('Den'), acted('Attic').then(() => told.push('said of Attic'))]);
  expect(told).toEqual(['kept Den', 'drawn', 'kept Attic', 'drawn', 'said of Attic']);
});

test('answers that come late are waited for less, and now and then as long as any', async () => {
  const { book, grow } = await opened('late answers');
  let isLate = true;
  book.listenFirst(() => (isLate ? new Promise(() => {}) : Promise.resolve()));
  const waits = vi.spyOn(globalThis, 'setTimeout');
  const heldBack = async (what: string): Promise<number | undefined> => {
    waits.mockClear();
    await (await grow(what)).shown;
    return waits.mock.calls
      .map(([, wait]) => wait)
      .find((wait) => wait === mostHeldBack || wait === leastHeldBack);
  };
  const some: (number | undefined)[] = [];
  for (const what of ['Den', 'Attic', 'Bath', 'Cellar', 'Porch', 'Shed']) some.push(await heldBack(what));
  const less = [leastHeldBack, leastHeldBack, leastHeldBack, leastHeldBack];
  expect(some).toEqual([mostHeldBack, ...less, mostHeldBack]);
  isLate = false;
  expect(await heldBack('Yard')).toBe(leastHeldBack);
  expect(await heldBack('Stairs')).toBe(mostHeldBack);
  waits.mockRestore();
});
