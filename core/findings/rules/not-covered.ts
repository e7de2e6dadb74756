import { receptaclesOf } from '../../log/index.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { type JudgedHouse, places } from './rule.ts';

/** A share of all receptacles that, left untested, is worth a finding of its own. */
const muchLeft = 0.1;

export function notCovered({ house, assessment, words }: JudgedHouse): readonly Proposal[] {
  const { coverage } = assessment;
  const untested = coverage.expected - coverage.tested;
  if (coverage.tested === 0 || untested < muchLeft * coverage.expected) return [];
  const there = receptaclesOf(house).filter(({ name }) =>
    coverage.notReached.some((one) => one.name === name),
  );
  return [
    {
      ...seenOnly,
      ...words.rules.notCovered({ untested, expected: coverage.expected }),
      key: 'house-coverage',
      urgency: 'note',
      by: 'owner',
      receptacles: places(there),
    },
  ];
}
