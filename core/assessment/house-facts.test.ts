import { expect, test } from 'vitest';
import { oddsIn } from '../engine/model/priors.ts';
import { asEntries, idNumber } from '../log/arbitrary-entries.ts';
import { foldHouse, type JobStatement } from '../log/index.ts';
import { factsOf } from './house-facts.ts';

const room = idNumber(1);
const box = (at: number, seen: object): readonly JobStatement[] => [
  { kind: 'receptacle-described', receptacle: idNumber(at), room, name: `Den ${at}` },
  { kind: 'cover-off', receptacle: idNumber(at), provedDead: true, ...seen } as JobStatement,
];
const facts = (...statements: readonly JobStatement[]) =>
  factsOf(foldHouse(asEntries([{ kind: 'job-described', yearBuilt: 1970 }, ...statements])));

test('the metal that was seen counts for how likely a poor connection is, in place of the year', () => {
  const by = (...statements: readonly JobStatement[]) => oddsIn(facts(...statements), 'poor-connection');
  const copper = box(2, { metal: 'copper' });
  const position: JobStatement = { kind: 'breaker-described', panel: idNumber(9), position: idNumber(8) };
  expect(by(...box(2, { metal: 'aluminum' }))).toBeCloseTo(2 * by(), 9);
  expect(by(...copper)).toBeCloseTo(by() / 2, 9);
  // Aluminum anywhere counts, on a breaker and in the attic too.
  expect(by(...copper, { ...position, metal: 'aluminum' })).toBeCloseTo(2 * by(), 9);
  expect(by(...copper, { kind: 'aluminum-sought', place: 'attic', found: true })).toBeCloseTo(2 * by(), 9);
});

test('jackets and a panel younger than the house were put in later; where no year was said jackets tell it', () => {
  expect(facts(...box(2, { jacketYear: 1971 })).alteredIn).toBeUndefined();
  const panel: JobStatement = { kind: 'panel-described', panel: idNumber(9), madeIn: 2004 };
  expect(facts(...box(2, { jacketYear: 1989 }), panel).alteredIn).toEqual([1989, 2004]);
  const unsaid = factsOf(
    foldHouse(asEntries([...box(2, { jacketYear: 1989 }), ...box(3, { jacketYear: 1966 })])),
  );
  expect(unsaid).toMatchObject({ yearBuilt: 1966, alteredIn: [1989] });
});

test('boxes that all show a ground, or all show none, speak for the house where nobody said it', () => {
  const one = box(2, { ground: false });
  expect(facts(...one, ...box(3, { ground: false })).groundedWiring).toBe(false);
  expect(facts(...one, ...box(3, { ground: true })).groundedWiring).toBeNull();
  expect(facts(...one, { kind: 'job-described', groundedWiring: true }).groundedWiring).toBe(true);
});
