import { describe, expect, test } from 'vitest';
import { contacts, lampPatterns, lampStates, lampsOf } from '../instruments/index.ts';
import { conditions, patternTable } from '../knowledge/index.ts';
import { judgeByLamps } from './lamp-verdict.ts';

const byPattern = (pattern: (typeof lampPatterns)[number]) => judgeByLamps({ lamps: lampsOf(pattern) });

describe('the verdict on three lamps', () => {
  test('"correct" is only read as correct: a live ground is not ruled out', () => {
    const verdict = byPattern('hn-hg');
    expect(verdict.code).toBe('lamps-hn-hg');
    expect(verdict.plain).toBe(true);
    expect(verdict.notRuledOut[0]).toBe('reversed-bootleg-ground');
  });

  test('dark lamps are never called dead', () => {
    const verdict = byPattern('none');
    expect(verdict.notRuledOut).toContain('open-neutral');
    expect(verdict.code).toBe('lamps-none');
    expect(verdict.contacts.hot).toBe('may-be-live');
    expect(verdict.plain).toBe(false);
  });

  test('hot and ground reversed names the far more common open neutral and the test that tells', () => {
    const verdict = byPattern('hg-ng');
    expect(verdict.urgency).toBe('act-now');
    expect(verdict.alsoFits.map((fit) => fit.conditions[0])).toContain('open-neutral');
    expect(verdict.settle).toBe('lamps-loads-off');
  });

  test.each(lampPatterns)(
    'pattern %s never proves a contact live or safe: no corner is filled from lamps alone',
    (pattern) => {
      const { contacts: states } = byPattern(pattern);
      for (const contact of contacts) expect(states[contact], contact).toBe('may-be-live');
    },
  );

  test('every dangerous condition that fits a pattern is read or listed as not ruled out', () => {
    for (const pattern of lampPatterns) {
      const verdict = byPattern(pattern);
      const statements = [...verdict.readsAs, ...verdict.notRuledOut];
      for (const id of patternTable[pattern].fits.flatMap((fit) => fit.conditions))
        if (conditions[id].dangerous) expect(statements, pattern).toContain(id);
    }
  });

  test('a dim lamp is never plain, counts as evidence and leads to the meter', () => {
    for (const hn of lampStates)
      for (const hg of lampStates)
        for (const ng of lampStates) {
          if (![hn, hg, ng].includes('dim')) continue;
          const verdict = judgeByLamps({ lamps: { hn, hg, ng } });
          expect(verdict).toMatchObject({ plain: false, readsAs: [], settle: 'meter' });
          expect(verdict.notRuledOut).toContain('lost-shared-neutral');
        }
  });
});
