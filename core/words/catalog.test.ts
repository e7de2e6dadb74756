import { describe, expect, test } from 'vitest';
import {
  acceptedRemedies,
  aluminumRemedies,
  aluminumRemedyIds,
  conditionIds,
  conditions,
  questionIds,
  questions,
  usualSchools,
  viewsOf,
  ways,
} from '../knowledge/index.ts';
import { enGb, enUs } from './index.ts';

const wayIds = Object.keys(ways) as (keyof typeof ways)[];
const languages = [enUs, enGb];
const wrong = conditionIds.map((id) => conditions[id]).filter(({ urgency }) => urgency !== null);
const statements = languages.flatMap((words) =>
  wrong.map((condition) => ({ ...condition, words, ...words.conditions[condition.id] })),
);

describe('the catalog of conditions', () => {
  test.each(statements.map((one) => [one.name, one] as const))(
    '%s: hazard, reason for its urgency, ways out, where to open, steps, retest, references, cautions',
    (_, condition) => {
      for (const words of [
        condition.what,
        condition.why,
        condition.hazard,
        condition.urgencyReason,
        condition.correction,
        condition.openFirst,
        condition.retest,
      ])
        expect(words).toMatch(/\S.{10,}/);
      expect(condition.steps.length).toBeGreaterThan(0);
      expect(condition.references.length).toBeGreaterThan(0);
      expect(condition.cautions.length).toBeGreaterThan(0);
      for (const id of condition.references) expect(condition.words.references[id].says).not.toBe('');
      for (const id of condition.cautions) expect(condition.words.cautions[id]).not.toBe('');
    },
  );

  test('the first way out is an accepted one, and those never accepted come last', () => {
    for (const { id: name, ways: out } of wrong) {
      const standings = out.map((id) => ways[id].standing);
      expect(standings[0], name).toBe('accepted');
      const firstRefused = standings.indexOf('not-accepted');
      if (firstRefused !== -1)
        expect(
          standings.slice(firstRefused).every((one) => one === 'not-accepted'),
          name,
        ).toBe(true);
    }
  });

  test('whatever is done in a box begins with proving it dead', () => {
    for (const { name, steps, openFirst } of statements)
      if (!openFirst?.startsWith('no box')) expect(steps.join(' '), name).toContain('prove every conductor');
  });

  test('nothing that an owner may do opens a box', () => {
    for (const { ways: words } of languages)
      for (const id of wayIds)
        if (ways[id].by === 'owner')
          expect(`${words[id].name} ${words[id].when}`).not.toMatch(/\bopen(s|ed)?\b|cover off/i);
  });

  test('what is dangerous is never only noted', () => {
    for (const { id, dangerous, urgency } of wrong) if (dangerous) expect(urgency, id).not.toBe('note');
  });
});

// Ways for a receptacle without a ground: NEC 406.4(D)(2) and 250.130(C), from memory.
describe('no ground: the ways out', () => {
  test('protection without a ground needs its labels, and says that a tester’s button cannot trip it', () => {
    const way = enUs.ways['protection-without-ground'];
    expect(ways['protection-without-ground'].standing).toBe('accepted');
    expect(way.labels.join()).toMatch(/No Equipment Ground.*GFCI Protected/);
    expect(way.leaves).toContain('only the device’s own button counts');
    expect(way.when).toContain('No ground wire is run between');
  });

  test.each([
    ['verified-adapter', 'temporary'],
    ['three-slot-without-ground', 'not-accepted'],
    ['jumper-to-neutral', 'not-accepted'],
    ['two-slot', 'accepted'],
    ['run-ground', 'accepted'],
    ['new-cable', 'accepted'],
  ] as const)('%s: %s', (id, standing) => {
    expect(ways[id].standing).toBe(standing);
    expect(conditions['open-ground'].ways).toContain(id);
  });
});

// CPSC publication 516, from memory; the other two schools: common practice.
describe('aluminum: remedies by school', () => {
  test.each([
    ['regulator', ['rewire', 'cold-weld', 'set-screw']],
    ['retrofit', ['rewire', 'cold-weld', 'set-screw', 'twist-on', 'co-alr']],
    ['cautious', ['rewire', 'cold-weld', 'set-screw']],
  ] as const)('%s takes %j as a repair', (school, accepted) => {
    expect(acceptedRemedies(school)).toEqual(accepted);
  });

  test('no school takes a plain device, or tape', () => {
    for (const id of ['plain-device', 'taped'] as const)
      for (const standing of Object.values(aluminumRemedies[id].views))
        expect(['not-accepted', 'dangerous']).toContain(standing);
    expect(aluminumRemedyIds).toHaveLength(8);
  });
});

describe('where practitioners differ', () => {
  test('every question has two views or more, one of them usual, each with its source', () => {
    for (const id of questionIds) {
      const views = viewsOf(id, usualSchools);
      expect(views.length).toBeGreaterThan(1);
      expect(questions[id]).toContain(usualSchools[id]);
      for (const { questions: words } of languages)
        for (const { source } of Object.values(words[id].views)) expect(source).not.toBe('');
    }
  });

  test('the chosen view stands first', () => {
    const [first] = viewsOf('neutral-to-ground', { ...usualSchools, 'neutral-to-ground': 'half-volt' });
    expect(first).toBe('half-volt');
    expect(enUs.questions['neutral-to-ground'].views['half-volt'].says).toContain('0.5 V');
  });
});

test('a reference is marked as from memory until somebody has checked it in the edition in force', () => {
  expect(enUs.reference('nec-200.11', { edition: '2023', checked: [] })).toBe(
    'NEC 2023 200.11 (from memory)',
  );
  expect(enUs.reference('nec-200.11', { edition: '2023', checked: ['nec-200.11'] })).toBe('NEC 2023 200.11');
  expect(enUs.reference('cpsc-516', { edition: '2023', checked: [] })).toBe(
    'CPSC publication 516 (from memory)',
  );
});
