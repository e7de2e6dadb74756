import { describe, expect, test } from 'vitest';
import { type ContactPotentials, lampPatterns, lampsAt, lampsOf, patternsOf } from '../instruments/index.ts';
import { conditions } from './catalog.ts';
import type { ConditionId } from './condition.ts';
import { patternTable } from './lamp-patterns.ts';

const everyFit = lampPatterns.flatMap((pattern) =>
  patternTable[pattern].fits.map((fit) => ({
    pattern,
    fit,
    name: `${fit.conditions.join(' + ')}: ${fit.how}`,
  })),
);

describe('the table of lamp patterns', () => {
  test.each(everyFit)('$name shows the pattern $pattern', ({ pattern, fit }) => {
    expect(patternsOf(lampsAt(fit.potentials))).toEqual([pattern]);
  });

  test.each(everyFit)(
    '$name keeps its pattern with all contacts turned over (complement law)',
    ({ pattern, fit }) => {
      const { hot, neutral, ground } = fit.potentials;
      const turned: ContactPotentials = { hot: 1 - hot, neutral: 1 - neutral, ground: 1 - ground };
      expect(lampsAt(turned)).toEqual(lampsOf(pattern));
    },
  );

  // Common practice, checkable against the difference of the contacts' potentials above.
  test.each<[string, keyof typeof patternTable, ConditionId]>([
    ['a reversed bootleg reads correct', 'hn-hg', 'reversed-bootleg-ground'],
    ['a bootleg ground reads correct', 'hn-hg', 'bootleg-ground'],
    ['neutral and ground exchanged read correct', 'hn-hg', 'neutral-ground-swapped'],
    ['a loose connection that touches reads correct', 'hn-hg', 'high-resistance'],
    ['a lost shared neutral with like loads reads correct', 'hn-hg', 'lost-shared-neutral'],
    ['a hot–ground jumper without a ground reads reversed', 'hn-ng', 'energized-ground'],
    ['an open neutral with a load on reads hot and ground reversed', 'hg-ng', 'open-neutral'],
    ['a missing ground hides a reversal', 'hn', 'reversed-polarity'],
    ['a live ground with an open neutral reads open neutral', 'hg', 'energized-ground'],
    ['a live ground with an open hot reads open hot', 'ng', 'energized-ground'],
    ['two legs light all lamps with one of them on the ground too', 'all', 'energized-ground'],
    ['an open neutral without a ground leaves the lamps dark', 'none', 'open-neutral'],
  ])('%s', (_fact, pattern, condition) => {
    const fitting = patternTable[pattern].fits.flatMap((fit) => fit.conditions);
    expect(fitting).toContain(condition);
  });

  test('all lamps lit means stop', () => {
    expect(patternTable.all.stop).not.toBeNull();
    expect(patternTable.all.settle).toBeNull();
  });

  test('every condition has its words and every dangerous one its cautions', () => {
    for (const condition of Object.values(conditions)) {
      for (const words of [condition.name, condition.what, condition.why, condition.correction])
        expect(words.length, condition.id).toBeGreaterThan(4);
      if (condition.dangerous) {
        expect(condition.cautions, condition.id).toContain('contacts');
        expect(condition.urgency, condition.id).not.toBeNull();
      }
    }
  });
});
