import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { enUs } from '../../words/index.ts';
import { diagnosisJsonSchemas, diagnosisOf, parseDiagnosisInput } from '../index.ts';

test.each(Object.entries(diagnosisJsonSchemas()))(
  'docs/formats/%s is what the schema says (npm run formats)',
  (file, schema) => {
    const published = readFileSync(new URL(`../../../docs/formats/${file}`, import.meta.url), 'utf8');
    expect(JSON.parse(published)).toEqual(JSON.parse(JSON.stringify(schema)));
  },
);

const examples = new URL('../../../docs/formats/examples/', import.meta.url);

/** Conditions that the worked examples hold, outlet by outlet, as their faults make them. */
const expected: Readonly<Record<string, readonly string[]>> = {
  'bad-splice.json': ['correct', 'correct', 'high-resistance', 'high-resistance'],
  'bootleg-ground-behind-a-gfci.json': ['correct', 'bootleg-ground', 'bootleg-ground'],
  'hot-and-ground-exchanged.json': ['correct', 'hot-ground-reversed', 'correct'],
  'hot-ground-jumper-looks-reversed.json': ['correct', 'energized-ground'],
  'lost-shared-neutral.json': ['lost-shared-neutral', 'lost-shared-neutral'],
  'open-ground-hides-reversal.json': ['correct', 'reversed-polarity', 'correct'],
  'open-neutral-and-no-ground-looks-dead.json': ['correct', 'open-neutral', 'open-neutral'],
  'open-neutral-lamp-on-downstream.json': ['correct', 'open-neutral', 'open-neutral'],
  'reversed-bootleg-ground.json': ['correct', 'reversed-bootleg-ground', 'energized-ground'],
  'reversed-from-a-cable-on.json': ['correct', 'reversed-polarity', 'reversed-polarity'],
};

describe('the worked examples, turned round', () => {
  test.each(Object.entries(expected))('%s', (file, conditions) => {
    const { circuit, readings } = JSON.parse(readFileSync(new URL(file, examples), 'utf8'));
    const { faults, tests, ...known } = circuit;
    for (const loads of [{ loads: known.loads }, { loads: undefined }]) {
      const { loads: _, ...rest } = known;
      const asked = { ...readings, circuit: { ...rest, ...(loads.loads === undefined ? {} : loads) } };
      const parsed = parseDiagnosisInput(asked);
      if (parsed.kind === 'problems') throw new Error(JSON.stringify(parsed.problems));
      const answer = diagnosisOf(parsed.value, enUs);
      expect(answer.outlets.map(({ condition }) => condition)).toEqual(conditions);
      const leading = answer.explanations.filter(({ group }) => group === 1);
      const plain = (some: typeof faults) =>
        some
          .map((fault: object) => JSON.stringify({ ...fault, ohms: 0 }))
          .sort()
          .join();
      expect(leading.map(({ faults: one }) => plain(one))).toContain(plain(faults));
    }
  });
});
