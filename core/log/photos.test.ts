import { expect, test } from 'vitest';
import { asEntries, idNumber } from './arbitrary-entries.ts';
import type { JobStatement } from './entry.ts';
import { foldHouse } from './house-fold.ts';
import { arrowHead, photosAt } from './photos.ts';
import { phrasesFor } from './phrases.ts';

const [room, den1, den2] = [0x20, 0x30, 0x31].map(idNumber) as [string, string, string];
const photo = (n: number, about = den1): JobStatement => ({
  kind: 'photo-taken',
  photo: idNumber(n),
  of: 'receptacle',
  about,
  hash: n.toString(16).repeat(64).slice(0, 64),
  width: 800,
  height: 600,
});
const rooms: readonly JobStatement[] = [
  { kind: 'room-described', room, name: 'Den' },
  { kind: 'receptacle-described', receptacle: den1, room, name: 'Den 1' },
  { kind: 'receptacle-described', receptacle: den2, room, name: 'Den 2' },
];
const houseOf = (...statements: readonly JobStatement[]) => foldHouse(asEntries([...rooms, ...statements]));
const ids = (house: ReturnType<typeof houseOf>) => house.photos?.map(({ id }) => id);

test('photos stand as they were taken, or as somebody put them; one id is one photo, however often it was said', () => {
  const three = [photo(0xb0), photo(0xb1), photo(0xb2)];
  expect(ids(houseOf(...three, photo(0xb1)))).toEqual([0xb0, 0xb1, 0xb2].map(idNumber));
  const ordered = houseOf(...three, { kind: 'photos-ordered', photos: [idNumber(0xb2), idNumber(0xb0)] });
  expect(ids(ordered)).toEqual([0xb2, 0xb0, 0xb1].map(idNumber));
});

test('a photo of a receptacle that was entered twice is of the one that it became', () => {
  const house = houseOf(photo(0xb0, den2), { kind: 'receptacle-merged', receptacle: den2, into: den1 });
  expect(photosAt(house, den1).map(({ id }) => id)).toEqual([idNumber(0xb0)]);
});

test('marks come and go one by one; what it is of may be said anew', () => {
  const shape = { form: 'ring', x: 0.5, y: 0.5, radius: 0.1 } as const;
  const marked = (n: number, to: typeof shape | null): JobStatement => ({
    kind: 'photo-marked',
    photo: idNumber(0xb0),
    drawn: idNumber(n),
    shape: to,
  });
  const house = houseOf(
    photo(0xb0),
    marked(0xc0, shape),
    marked(0xc1, shape),
    marked(0xc0, null),
    { kind: 'photo-described', photo: idNumber(0xb0), caption: 'Behind it', of: 'box', about: den2 },
    { kind: 'photo-described', photo: idNumber(0xb0), size: 'small' },
  );
  expect(house.photos).toMatchObject([
    { of: 'box', about: den2, caption: 'Behind it', size: 'small', marks: [{ id: idNumber(0xc1), shape }] },
  ]);
});

test('taken back it is gone, with all that was said of it', () => {
  const entries = asEntries([...rooms, photo(0xb0)]);
  const taken = entries.at(-1)?.id ?? '';
  const back = asEntries([{ kind: 'withdrawn', entries: [taken] }], 0x2000);
  expect(foldHouse([...entries, ...back]).photos ?? []).toEqual([]);
});

test('an arrow’s head points where it ends, and is no longer than the arrow', () => {
  const [left, tip, right] = arrowHead({ form: 'arrow', x: 0, y: 0.5, toX: 0.01, toY: 0.5 });
  expect(tip).toEqual([0.01, 0.5]);
  for (const [x, y] of [left, right] as [number, number][])
    expect(Math.hypot(x - 0.01, y - 0.5)).toBeCloseTo(0.01);
  expect((left?.[1] ?? 0) - 0.5).toBeCloseTo(0.5 - (right?.[1] ?? 0));
});

test('phrases go on from the words that were typed last', () => {
  const phrases = [
    { id: 'a', text: 'Loose in its box' },
    { id: 'b', text: 'Backstabbed, not on the screws' },
  ];
  expect(phrasesFor(phrases, '').map(({ text }) => text)).toEqual([
    'Loose in its box',
    'Backstabbed, not on the screws',
  ]);
  expect(phrasesFor(phrases, 'Painted. lo').map(({ text }) => text)).toEqual(['Painted. Loose in its box']);
  expect(phrasesFor(phrases, 'Loose in its box')).toEqual([]);
  // In the middle of a word nothing begins.
  expect(phrasesFor(phrases, 'hello')).toEqual([]);
});
